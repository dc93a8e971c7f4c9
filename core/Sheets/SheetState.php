<?php

declare(strict_types=1);

namespace MintDoor\Core\Sheets;

use MintDoor\Core\Roster\Enrollment;
use MintDoor\Core\Roster\Leads;
use MintDoor\Core\Roster\Timeline;

/**
 * The site as it would stand after the lines computed so far.
 *
 * @internal
 */
final class SheetState
{
    /** @var array<string, Enrollment> */
    private array $enrollments;

    /** @var array<string, array{Timeline, int}> */
    private array $leads;

    private int $seatsHeld;

    public function __construct(
        private readonly SheetSituation $situation,
        private readonly Leads $rule,
    ) {
        $this->enrollments = $situation->enrollments;
        $this->leads = $situation->leads;
        $this->seatsHeld = $situation->seatsHeld;
    }

    public function of(string $personId): Situation
    {
        $s = $this->situation;
        $others = $this->leads;
        unset($others[$personId]);

        return new Situation(
            $s->now, $s->site, $s->roles, $s->people[$personId], $this->enrollments[$personId] ?? new Enrollment(), $s->actor,
            $this->seatsHeld, array_values($others), $s->desk,
        );
    }

    public function apply(string $personId, Line $line): void
    {
        $s = $this->situation;
        $before = ($this->enrollments[$personId] ?? new Enrollment())->timeline()->at($s->now);
        $this->seatsHeld += (int) $s->roles->holdsSeat($line->timeline->at($s->now)) - (int) $s->roles->holdsSeat($before);
        $this->enrollments[$personId] = $line->result;
        unset($this->leads[$personId]);
        if ($this->rule->counts($line->timeline, $s->now)) {
            $this->leads[$personId] = [$line->timeline, $s->people[$personId]->accountClosedFrom];
        }
    }
}
