<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Changes\Repository\AppliedLines;
use MintDoor\Changes\Repository\ChangeHistories;
use MintDoor\Core\Changes\ChangeHistory;
use MintDoor\Core\Changes\ChangeListComputer;
use MintDoor\Core\Changes\ComputedChange;
use MintDoor\Core\Changes\LineToUndo;
use MintDoor\Core\Changes\LineWanted;
use MintDoor\Core\Changes\Removal;
use MintDoor\Core\Changes\Summary;
use MintDoor\Core\Roster\SeatsHeld;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Repository\Counts;
use MintDoor\Roster\Repository\Enrollments;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Row;
use MintDoor\Shared\Said;

/** Computes change lists for the people of one site: reads what is, and asks the core. Changes nothing. */
final readonly class ChangeComputer
{
    public function __construct(
        private ChangeContextLoader $contexts,
        private Enrollments $enrollments,
        private Counts $counts,
        private ChangeListComputer $core,
        private ChangeHistories $histories,
        private AppliedLines $applied,
        private RequestedChanges $requests,
        private Roles $roles,
        private LetInFromOutside $outside,
        private LineAnswers $answers,
    ) {}

    /**
     * What is asked for.
     *
     * @param array<int, LineRequest> $requests one a person
     * @param list<int>               $aside    keys of lines that are not to be computed
     * @param bool                    $counting whether seats are counted where the site has no limit of them, too
     *
     * @throws Problem of type `Invalid`, or `NotFound` for somebody who is not there for the caller
     */
    public function requested(
        SiteAccess $access,
        array $requests,
        array $aside = [],
        bool $counting = false,
    ): ComputedList {
        $this->assertNotTooMany($requests);
        $people = $this->contexts->people(
            array_values(array_map(static fn(LineRequest $line): string => $line->person, $requests)),
        );
        $gone = array_filter(
            $requests,
            static fn(LineRequest $line): bool => null !== $people[$line->person]->stringOrNull('gone'),
        );
        $outside = $this->outside->of($requests, $people, $access);
        $wanted = $this->requests->wanted(
            array_diff_key($requests, array_flip($aside), $gone),
            $outside,
            $access,
        );
        $context = $this->contexts->of($access, $people);
        $wanted = array_map(static fn(LineWanted $line): LineWanted => $line->asTheyAre($context), $wanted);
        $computed = $this->core->compute($context, $wanted);
        $lines = [];
        foreach ($requests as $key => $request) {
            $lines[$key] = new ComputedLine(
                $people[$request->person],
                isset($wanted[$key]) ? $wanted[$key]->wanted->verb->value : $request->verb,
                $computed[$key] ?? null,
                $request->note,
                outside: isset($outside[$key]),
            );
        }

        return $this->list($access, $lines, $this->held($access, $counting) ?? $context->seats);
    }

    /**
     * What taking applied lines back would do, in the order in which they are given; those that cannot be taken back
     * any more are set aside.
     *
     * @param array<int, string> $ids    of lines of the site; others are left out
     * @param bool               $strict whether a single line that cannot be taken back is a problem
     * @param bool               $carried whether they are lines that carried people between sites, all of them together
     *
     * @throws Problem of type `NotFound`, `UndoneAlready` or `ChangedSince`
     */
    public function undone(
        SiteAccess $access,
        array $ids,
        bool $strict,
        bool $counting = false,
        bool $carried = false,
    ): ComputedList {
        $done = $this->applied->inSite($access->site->id, $ids);
        if ($strict && [] === $done) {
            throw Problem::notFound('change');
        }
        $whose = array_map(static fn(Row $row): string => $row->id('person_id'), $done);
        $people = $this->contexts->people(array_values(array_unique($whose)));
        $histories = $this->histories->of($access->site->id, array_values($whose));
        $effects = [];
        foreach ($done as $key => $row) {
            $problem = !$carried && CarryLines::isOf($row->string('verb'))
                ? Problem::notAllowed('changes.undo-whole-carrying')
                : self::notToUndo(
                    $row->id('id'),
                    $histories->of($row->id('person_id')) ?? new ChangeHistory([]),
                    $people[$row->id('person_id')],
                );
            if (null !== $problem && $strict && 1 === \count($ids)) {
                throw $problem;
            }
            if (null === $problem) {
                $kept = array_map(
                    static fn(mixed $effect) => EffectCodec::read((array) $effect),
                    array_values($row->json('effects')),
                );
                $effects[$key] = new LineToUndo($row->id('person_id'), $kept);
            }
        }
        $context = $this->contexts->of($access, $people);
        $computed = $this->core->undo($context, $effects);
        $lines = [];
        foreach ($done as $key => $row) {
            $lines[$key] = new ComputedLine(
                $people[$row->id('person_id')],
                $carried ? CarryLines::BACK : 'undo',
                $computed[$key] ?? null,
                undoes: $row->id('id'),
                undoesOf: $row->string('verb'),
                asItWas: $carried,
            );
        }

        return $this->list($access, $lines, $this->held($access, $counting) ?? $context->seats);
    }

    private static function notToUndo(string $line, ChangeHistory $history, Row $person): ?Problem
    {
        return match (true) {
            null !== $person->stringOrNull('gone') => new Problem(
                ProblemType::ChangedSince,
                'changes.person-directory-no-more',
            ),
            $history->mayUndo($line) => null,
            null !== $history->undoneBy($line) => new Problem(ProblemType::UndoneAlready, 'shared.already-undone'),
            default => new Problem(ProblemType::ChangedSince, 'changes.something-changed-person-after'),
        };
    }

    /** @param array<int, ComputedLine> $lines */
    private function list(SiteAccess $access, array $lines, SeatsHeld $held): ComputedList
    {
        $changes = array_filter(array_map(static fn(ComputedLine $line): ?ComputedChange => $line->change, $lines));

        return new ComputedList(
            $lines,
            $this->answers->of($access, $lines),
            Summary::of($changes, $access->site, $this->roles->book(), $held),
            $this->removal($access, $lines),
        );
    }

    /** @param array<int, ComputedLine> $lines */
    private function removal(SiteAccess $access, array $lines): ?Removal
    {
        $limits = $this->roles->limits();
        $ready = [];
        foreach ($lines as $line) {
            if ($line->isReady() && null !== $line->change) {
                $ready[] = $line->change;
            }
        }
        if (\count($ready) <= $limits->removalFew) {
            return null;
        }
        $count = $this->counts->of([$access->site->id], $access->now)[$access->site->id];

        return Removal::of($ready, $count->learners + $count->staff + $count->others + $count->unlisted, $limits);
    }

    /** Seats held, also where their number has no limit: there nobody counts them for the rules. */
    private function held(SiteAccess $access, bool $counting): ?SeatsHeld
    {
        return $counting && null === $access->site->seats
            ? $this->enrollments->seats($access->site->id, $access->now)
            : null;
    }

    /** @param array<int, LineRequest> $requests */
    private function assertNotTooMany(array $requests): void
    {
        $most = $this->roles->limits()->changeList;
        if (\count($requests) > $most) {
            throw Problem::field('/lines', 'too-many', Said::with('changes.lines-most', n: $most));
        }
    }
}
