<?php

declare(strict_types=1);

namespace MintDoor\Plans;

use MintDoor\Core\Plans\Because;
use MintDoor\Core\Plans\Why;

/** What a plan came to, as it is kept: where everybody is put, and why. */
final readonly class Outcome
{
    private const LISTS = ['full', 'cannot', 'onePlace', 'anHour', 'kept'];

    /**
     * @param array<string, Why> $why    by person
     * @param bool               $proven whether no other way is better, and it was not told to stop before
     * @param ?float             $better as of `Plan`
     * @param list<string>       $sites  ids of those that were planned together; none where it is one
     * @param array<string, string> $places section of everybody in them, by person as `Joint` names them
     */
    public function __construct(
        public array $why,
        public bool $proven,
        public ?float $better,
        public PlanRecord $record,
        public array $sites = [],
        public array $places = [],
    ) {}

    /** @param array<string, mixed> $kept as `kept()` */
    public static function read(array $kept): self
    {
        $why = [];
        foreach ((array) ($kept['why'] ?? []) as $person => $one) {
            $one = (array) $one;
            $lists = [];
            foreach (self::LISTS as $list) {
                $lists[] = array_values(array_filter((array) ($one[$list] ?? []), is_string(...)));
            }
            $section = $one['section'] ?? null;
            $wish = $one['wish'] ?? null;
            $because = $one['because'] ?? null;
            $why[(string) $person] = new Why(
                Because::tryFrom(\is_string($because) ? $because : '') ?? Because::Nowhere,
                \is_string($section) ? $section : null,
                \is_int($wish) ? $wish : null,
                ...$lists,
            );
        }

        $better = $kept['better'] ?? null;

        return new self(
            $why,
            true === ($kept['proven'] ?? false),
            is_numeric($better) ? (float) $better : null,
            PlanRecord::read((array) ($kept['record'] ?? [])),
            array_values(array_filter((array) ($kept['sites'] ?? []), is_string(...))),
            array_filter((array) ($kept['places'] ?? []), is_string(...)),
        );
    }

    /** @return array<string, mixed> */
    public function kept(): array
    {
        $all = [];
        foreach ($this->why as $person => $why) {
            $all[$person] = array_filter(
                ['because' => $why->because->value, ...get_object_vars($why)],
                static fn(mixed $value): bool => !\in_array($value, [null, []], true),
            );
            $all[$person]['because'] = $why->because->value;
        }

        return [
            'why' => $all,
            'proven' => $this->proven,
            'better' => $this->better,
            'record' => $this->record->kept(),
            'sites' => $this->sites,
            'places' => $this->places,
        ];
    }

    /** @return array<string, int> how many it puts into each section */
    public function held(): array
    {
        $held = [];
        foreach ($this->why as $why) {
            null === $why->section || ($held[$why->section] = 1 + ($held[$why->section] ?? 0));
        }

        return $held;
    }
}
