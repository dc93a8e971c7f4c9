<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

use MintDoor\Changes\BroughtLines;
use MintDoor\Changes\ComputedLine;
use MintDoor\Cohorts\Entity\CohortLink;
use MintDoor\Cohorts\Repository\CohortMembers;
use MintDoor\Core\Changes\ChangeContext;
use MintDoor\Core\Changes\ComputedChange;
use MintDoor\Core\Changes\LineComputer;
use MintDoor\Core\Changes\Verb;
use MintDoor\Core\Cohorts\Step;
use MintDoor\Core\Cohorts\StepKind;
use MintDoor\Core\Roles\Standing;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Time\Spans;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Gate;
use MintDoor\Roster\Keepers;
use MintDoor\Roster\Repository\SectionNumbers;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\CallerProvider;
use MintDoor\Shared\Row;

/**
 * What connections do for people: bring them, change how long they stay, take them out. What staff set holds: whom they
 * took out is not brought again unless that is asked for. Runs inside a transaction, under the site's lock.
 */
final readonly class LinkLines
{
    public function __construct(
        private BroughtLines $lines,
        private LineComputer $computer,
        private CohortMembers $members,
        private SectionNumbers $numbers,
        private Roles $roles,
        private Gate $gate,
        private Keepers $keepers,
        private CallerProvider $callers,
    ) {}

    /** The site in the name of whoever stands behind a connection, with the authority of its door. */
    public function access(CohortLink $link): SiteAccess
    {
        return $this->gate->atDoor($link->site()->id, $this->callers->anybody((string) $link->door->madeBy?->id));
    }

    /**
     * What is to be done for people now. Changes nothing.
     *
     * @param array<string, Due> $due  by person
     * @param ?Standing          $actor of whoever asks for it; null where it follows by itself
     *
     * @return array<string, LinkOutcome> by person
     */
    public function would(SiteAccess $access, CohortLink $link, array $due, ?Standing $actor = null): array
    {
        $people = $this->lines->people(array_map(strval(...), array_keys($due)));
        $belongs = $this->members->spans([$link->cohort->id], array_keys($people))[$link->cohort->id] ?? [];
        $wanted = $link->isOn() ? $link->link($access->site->termEnds) : null;
        $keeper = $this->keepers->backing($access, $link->door->madeBy?->id, $link->role);
        $sections = $link->spread ? $this->filled($access) : null;
        $steps = $why = [];
        $lines = $this->lines->would(
            $access,
            $people,
            function (ChangeContext $one, string $id) use (
                $access,
                $link,
                $due,
                $belongs,
                $wanted,
                $keeper,
                $people,
                $sections,
                $actor,
                &$steps,
                &$why,
            ): array {
                $theirs = null === $people[$id]->stringOrNull('gone') ? $belongs[$id] ?? null : null;
                $spans = $wanted?->access($theirs ?? Spans::never()) ?? Spans::never();
                $has = $one->enrollment->windowAt($link->door->id, $one->now);
                $step = Step::of($spans, $has, $one->now);
                $steps[$id] = $step;
                $why[$id] = match ($step->kind) {
                    StepKind::Come => $this->against($access, $link, $one, $people[$id], $due[$id], $keeper),
                    StepKind::Go => null === $actor || $this->mayTake($actor, $one) ? null : 'not-yours-to-take',
                    default => null,
                };

                return null === $why[$id]
                    ? $this->line($one, $link, $step, $sections)
                    : ['brought', $this->computer->goAgain($one, [])];
            },
        );

        return array_map(
            static fn(ComputedLine $line): LinkOutcome => new LinkOutcome(
                $line,
                $steps[$line->personId()],
                $why[$line->personId()],
            ),
            $lines,
        );
    }

    /**
     * Carries out what is ready.
     *
     * @param array<string, LinkOutcome> $outcomes by person
     *
     * @return ?string id of the change list; null where nothing was
     */
    public function store(SiteAccess $access, array $outcomes, bool $listed = false): ?string
    {
        $lines = array_map(static fn(LinkOutcome $outcome): ComputedLine => $outcome->line, $outcomes);

        return $this->lines->store($access, $lines, $listed);
    }

    /**
     * Why somebody who belongs is not brought.
     *
     * @return ?string "removed", "unbacked", or a code of `RoleVerdict`; null where nothing is against it
     */
    private function against(
        SiteAccess $access,
        CohortLink $link,
        ChangeContext $one,
        Row $row,
        Due $due,
        ?Standing $keeper,
    ): ?string {
        $enrollment = $one->enrollment;
        if (
            !$due->again
            && ($enrollment->takenBackByStaff($link->door->id, $one->now) || $enrollment->removedByStaff($one->now))
        ) {
            return 'removed';
        }
        if (null === $keeper) {
            return 'unbacked';
        }
        $verdict = $this->roles->book()->mayGive($link->role, $keeper, PersonRow::person($row), $access->site);

        return $verdict->allowed ? null : $verdict->code;
    }

    /** Nobody takes from others by a connection what they may not take by hand. */
    private function mayTake(Standing $actor, ChangeContext $one): bool
    {
        $book = $this->roles->book();
        foreach ($one->enrollment->timeline()->at($one->now)->roles ?? [] as $role) {
            if (!$book->mayTake($role, $actor, $one->person)) {
                return false;
            }
        }

        return true;
    }

    /** @return array{string, ComputedChange} what the history says they did, and the change */
    private function line(ChangeContext $one, CohortLink $link, Step $step, ?SectionsFilled $sections): array
    {
        $door = $link->door->id;
        if (null === $step->window) {
            $line = $this->computer->goAgain($one, StepKind::Go === $step->kind ? [$door] : []);

            return [true === $line->after?->state->here() ? 'belongs-less' : 'taken-out', $line];
        }
        $section = $link->section?->id;
        if (null !== $sections) {
            $has = $one->enrollment->timeline()->at($one->now)->sections ?? [];
            $section = [] === $has ? $sections->emptiest($one, $step->window) : null;
        }
        $line = $this->computer->stayFor($one, $door, DoorKind::Cohort, $link->role, $step->window, $section);
        if ([] !== $line->effects && null !== $section) {
            $sections?->put($section);
        }

        $was = true === $line->before?->state->here();

        return [
            match (true) {
                StepKind::Change === $step->kind => Verb::ChangeDates->value,
                $was => 'belongs-too',
                default => 'brought',
            },
            $line,
        ];
    }

    /** How sections are filled now. */
    private function filled(SiteAccess $access): SectionsFilled
    {
        $numbers = $this->numbers->of($access->site->id, $access->now);

        return new SectionsFilled(array_map(static fn(array $of): int => $of['learners'], $numbers));
    }
}
