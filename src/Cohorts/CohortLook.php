<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

use MintDoor\Cohorts\Entity\CohortLink;
use MintDoor\Cohorts\Repository\CohortLinks;
use MintDoor\Cohorts\Repository\CohortMembers;
use MintDoor\Cohorts\Repository\LinkWorks;
use MintDoor\Cohorts\Repository\RuleFacts;
use MintDoor\Core\Cohorts\Cohort;
use MintDoor\Core\Cohorts\Membership;
use MintDoor\Core\Cohorts\Rule;
use MintDoor\Core\Cohorts\StepKind;
use MintDoor\Core\Time\Spans;
use MintDoor\People\PersonRow;
use MintDoor\People\Repository\People;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Gate;
use MintDoor\Shared\Caller;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Row;
use MintDoor\Shared\Somebody;
use MintDoor\Shared\Transaction;

/** Whom a rule would be about, and what it would bring and take. Changes nothing. */
final readonly class CohortLook
{
    private const AT_ONCE = 2_000;

    /** Names that are shown. */
    private const SOME = 12;

    public function __construct(
        private RuleFacts $facts,
        private CohortMembers $members,
        private CohortLinks $links,
        private LinkWorks $work,
        private LinkLines $lines,
        private CohortBook $book,
        private People $people,
        private PlatformSettings $settings,
        private Roles $roles,
        private Gate $gate,
        private Transaction $transaction,
        private PlatformClock $clock,
    ) {}

    /**
     * @param Rule    $rule     as it is written
     * @param ?string $division code; null for the whole platform
     * @param ?string $cohort   id; null for one that is not there yet
     * @param bool    $sites    whether it is to be said what becomes of each site
     */
    public function at(Rule $rule, ?string $division, ?string $cohort, bool $sites, Caller $caller): LookAnswer
    {
        $rule = CohortBook::within($division, $rule);
        $now = $this->clock->instant();
        $id = $cohort ?? 'new';
        $web = $this->book->webWith(new Cohort($id, $rule));
        $read = $web->cohortsReadBy($id);
        $tree = $this->settings->read()->divisions;
        $names = $changes = [];
        $people = $later = $come = $go = 0;
        $after = null;
        do {
            $some = $this->facts->next($rule, $tree, $cohort, $after, $now, self::AT_ONCE);
            $after = [] === $some ? null : $some[\count($some) - 1];
            $facts = $this->facts->of($some, $web->sitesReadBy($id), $read, $tree, $now);
            $stored = null === $cohort ? [] : $this->members->spans([$cohort], $some)[$cohort] ?? [];
            foreach ($some as $person) {
                $ahead = isset($facts[$person]) ? $rule->spans($facts[$person])->from($now) : Spans::never();
                $before = $stored[$person] ?? Spans::never();
                $belongs = $ahead->contains($now);
                $people += (int) $belongs;
                $later += (int) (!$belongs && !$ahead->isNever());
                $come += (int) ($belongs && !$before->contains($now));
                $go += (int) (!$belongs && $before->contains($now));
                if ($belongs) {
                    $names[] = $person;
                }
                $changed = Membership::renewed($before, $ahead, $now);
                if ($sites && null !== $cohort && $changed->windows != $before->windows) {
                    $changes[] = new Changed($cohort, $person, $before, $changed);
                }
            }
        } while (self::AT_ONCE === \count($some));

        return new LookAnswer(
            $people,
            $later,
            $this->named($names),
            $come,
            $go,
            [] === $changes || null === $cohort ? [] : $this->sites($cohort, $changes, $now, $caller),
        );
    }

    /**
     * The first of them by name.
     *
     * @param list<string> $people ids
     *
     * @return list<Somebody>
     */
    private function named(array $people): array
    {
        $rows = $this->people->byId($people);
        usort(
            $rows,
            static fn(Row $a, Row $b): int => [$a->string('sort_name'), $a->id('person_id')] <=> [
                $b->string('sort_name'),
                $b->id('person_id'),
            ],
        );

        return array_map(
            static fn(Row $row): Somebody => new Somebody($row->id('person_id'), PersonRow::name($row)),
            \array_slice($rows, 0, self::SOME),
        );
    }

    /**
     * @param list<Changed> $changes
     *
     * @return list<LookSite>
     */
    private function sites(string $cohort, array $changes, int $now, Caller $caller): array
    {
        // Carried out as far as who belongs goes, looked at, and taken back.
        return $this->transaction->attempt(false, function () use ($cohort, $changes, $now, $caller): array {
            $this->members->keep($changes, $now);
            $due = [];
            foreach ($changes as $change) {
                $due[$change->person] = new Due(1);
            }

            return array_map(
                fn(CohortLink $link): LookSite => $this->site($link, $due, $now, $caller),
                $this->links->ofCohorts([$cohort]),
            );
        });
    }

    /** @param array<string, Due> $due by person */
    private function site(CohortLink $link, array $due, int $now, Caller $caller): LookSite
    {
        $come = $go = $stay = $leaving = 0;
        $access = $this->lines->access($link);
        foreach (array_chunk($due, self::AT_ONCE, true) as $some) {
            foreach ($this->lines->would($access, $link, $some) as $outcome) {
                $before = $outcome->line->change?->before;
                $here = true === $before?->state->here();
                $come += (int) (StepKind::Come === $outcome->step->kind && !$here && $outcome->line->isReady());
                if ($outcome->takes()) {
                    ++$leaving;
                    true === $outcome->line->change?->after?->state->here() && StepKind::Go === $outcome->step->kind
                        ? ++$stay
                        : ++$go;
                }
            }
        }
        $title = $this->gate->ifThere($link->site()->id, $caller)?->row->string('title');

        return new LookSite(
            null === $title ? null : $link->site()->id,
            $title,
            $come,
            $go,
            $stay,
            $this->roles->limits()->manyRemoved($leaving, $this->work->brought($link->door->id, $now)),
        );
    }
}
