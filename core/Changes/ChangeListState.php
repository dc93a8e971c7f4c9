<?php

declare(strict_types=1);

namespace MintDoor\Core\Changes;

use MintDoor\Core\Roster\Enrollment;
use MintDoor\Core\Roster\Leads;
use MintDoor\Core\Roster\LeadTimeline;
use MintDoor\Core\Roster\SeatsHeld;
use MintDoor\Core\Roster\SectionsHeld;

/**
 * The site as it would stand after the lines computed so far.
 *
 * @internal
 */
final class ChangeListState
{
    /** @var array<string, Enrollment> */
    private array $enrollments;

    /** @var array<string, LeadTimeline> */
    private array $leads;

    private SeatsHeld $seats;

    private SectionsHeld $sections;

    public function __construct(private readonly ChangeListContext $context, private readonly Leads $rule)
    {
        $this->enrollments = $context->enrollments;
        $this->leads = $context->leads;
        $this->seats = $context->seats;
        $this->sections = $context->sections;
    }

    public function of(string $personId): ChangeContext
    {
        $s = $this->context;
        $others = $this->leads;
        unset($others[$personId]);

        return new ChangeContext(
            $s->now,
            $s->site,
            $s->roles,
            $s->people[$personId],
            $this->enrollments[$personId] ?? new Enrollment(),
            $s->actor,
            $this->seats,
            array_values($others),
            $s->staff,
            $this->sections,
            $s->weeks[$personId] ?? null,
        );
    }

    /** @return array<string, int> how many more people than seats are in a section at some instant, by its id */
    public function overfull(): array
    {
        $over = [];
        foreach ($this->context->site->sections as $id => $section) {
            $over[$id] = max(0, -($this->sections->free($section) ?? 0));
        }

        return $over;
    }

    public function apply(string $personId, ComputedChange $line): void
    {
        $s = $this->context;
        $this->seats = $this->seats->changed($line->was, $line->timeline, $s->roles);
        $this->sections = $this->sections->changed($line->was, $line->timeline, $s->roles);
        $this->enrollments[$personId] = $line->result;
        unset($this->leads[$personId]);
        if ($this->rule->counts($line->timeline, $s->now)) {
            $this->leads[$personId] = new LeadTimeline($line->timeline, $s->people[$personId]->accountClosedFrom);
        }
    }
}
