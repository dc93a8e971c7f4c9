<?php

declare(strict_types=1);

namespace MintDoor\Plans;

use MintDoor\Core\Plans\Moves;
use MintDoor\Core\Sites\Site;

/** What a plan of a site is asked to do. */
final readonly class PlanTerms
{
    /**
     * @param array<string, ?int> $places how many people of the site each section takes, those that stay there among
     *     them, by id; null for as many as it has seats
     * @param list<string>        $stays  ids of people who stay where they are all the same
     * @param array<string, int>  $least  how many a section has at least that has anybody, by id
     * @param list<list<string>>  $together ids of people who are in one section
     * @param list<list<string>>  $apart  ids of people of whom no two are in one section
     * @param list<array{by: string, label: string, tolerance: int}> $balances
     */
    public function __construct(
        public array $places,
        public Moves $moves = Moves::Nobody,
        public array $stays = [],
        public array $least = [],
        public array $together = [],
        public array $apart = [],
        public array $balances = [],
    ) {}

    /** @param array<string, mixed> $kept as `kept()` */
    public static function read(array $kept): self
    {
        $places = $least = $balances = [];
        foreach ((array) ($kept['sections'] ?? []) as $one) {
            $one = (array) $one;
            if (\is_string($one['id'] ?? null)) {
                $places[$one['id']] = \is_int($one['places'] ?? null) ? $one['places'] : null;
                \is_int($one['least'] ?? null) && ($least[$one['id']] = $one['least']);
            }
        }
        foreach ((array) ($kept['balances'] ?? []) as $one) {
            $one = (array) $one;
            $by = $one['by'] ?? null;
            $label = $one['label'] ?? null;
            $tolerance = $one['tolerance'] ?? null;
            $balances[] = [
                'by' => \is_string($by) ? $by : '',
                'label' => \is_string($label) ? $label : '',
                'tolerance' => \is_int($tolerance) ? $tolerance : 0,
            ];
        }

        return new self(
            $places,
            Moves::tryFrom(\is_string($kept['moves'] ?? null) ? $kept['moves'] : '') ?? Moves::Nobody,
            array_values(array_filter((array) ($kept['stays'] ?? []), is_string(...))),
            $least,
            ConditionsCodec::groups($kept['together'] ?? []),
            ConditionsCodec::groups($kept['apart'] ?? []),
            $balances,
        );
    }

    /** @return array<string, mixed> */
    public function kept(): array
    {
        $sections = [];
        foreach ($this->places as $id => $places) {
            $sections[] = ['id' => (string) $id, 'places' => $places, 'least' => $this->least[$id] ?? null];
        }

        return [
            'sections' => $sections,
            'moves' => $this->moves->value,
            'stays' => $this->stays,
            'together' => $this->together,
            'apart' => $this->apart,
            'balances' => $this->balances,
        ];
    }

    /** @return list<string> ids of its sections that are there still */
    public function sections(Site $site): array
    {
        $there = array_filter(
            array_map(strval(...), array_keys($this->places)),
            static fn(string $id): bool => isset($site->sections[$id]) && !$site->sections[$id]->retired,
        );

        return array_values($there);
    }

    /** How many people of the site a section takes; null where there is no limit. */
    public function placesOf(Site $site, string $section): ?int
    {
        return $this->places[$section] ?? $site->sections[$section]->seats ?? null;
    }
}
