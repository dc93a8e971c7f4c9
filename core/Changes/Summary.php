<?php

declare(strict_types=1);

namespace MintDoor\Core\Changes;

use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Roster\SeatsHeld;
use MintDoor\Core\Sites\Site;

/** What the lines of a change list on one site come to. */
final readonly class Summary
{
    /**
     * @param array<string, int> $verdicts how many lines have each verdict, by its value
     * @param int                $joining  people who are here after it and were not before
     * @param int                $leaving  and the other way round
     * @param ?int               $seats    of the site; null where there is no limit
     * @param int                $held     the most seats held at one instant from now on, before
     * @param int                $after    and after
     */
    private function __construct(
        public array $verdicts,
        public int $joining,
        public int $leaving,
        public ?int $seats,
        public int $held,
        public int $after,
    ) {}

    /**
     * @param iterable<ComputedChange> $lines
     * @param SeatsHeld      $held before
     */
    public static function of(iterable $lines, Site $site, RoleBook $roles, SeatsHeld $held): self
    {
        $verdicts = array_fill_keys(
            array_map(static fn(Verdict $verdict): string => $verdict->value, Verdict::cases()),
            0,
        );
        $joining = $leaving = 0;
        $after = $held;
        foreach ($lines as $line) {
            ++$verdicts[$line->verdict->value];
            if (Verdict::Ready === $line->verdict) {
                $was = true === $line->before?->state->here();
                $is = true === $line->after?->state->here();
                $joining += (int) (!$was && $is);
                $leaving += (int) ($was && !$is);
                $after = $after->changed($line->was, $line->timeline, $roles);
            }
        }

        return new self($verdicts, $joining, $leaving, $site->seats, $held->most(), $after->most());
    }
}
