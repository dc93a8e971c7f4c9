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
     */
    public function __construct(public array $places, public Moves $moves = Moves::Nobody, public array $stays = []) {}

    /** @param array<string, mixed> $kept as `kept()` */
    public static function read(array $kept): self
    {
        $places = [];
        foreach ((array) ($kept['sections'] ?? []) as $one) {
            $one = (array) $one;
            if (\is_string($one['id'] ?? null)) {
                $places[$one['id']] = \is_int($one['places'] ?? null) ? $one['places'] : null;
            }
        }

        return new self(
            $places,
            Moves::tryFrom(\is_string($kept['moves'] ?? null) ? $kept['moves'] : '') ?? Moves::Nobody,
            array_values(array_filter((array) ($kept['stays'] ?? []), is_string(...))),
        );
    }

    /** @return array<string, mixed> */
    public function kept(): array
    {
        $sections = [];
        foreach ($this->places as $id => $places) {
            $sections[] = ['id' => (string) $id, 'places' => $places];
        }

        return ['sections' => $sections, 'moves' => $this->moves->value, 'stays' => $this->stays];
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
