<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Changes\Repository\AppliedLines;
use MintDoor\Changes\Repository\ChangeStore;
use MintDoor\Core\Changes\Removal;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\Roles\Permission;
use MintDoor\People\PersonRow;
use MintDoor\Roster\Repository\Enrollments;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Row;
use MintDoor\Shared\Said;

/**
 * Looks at change lists for the people of one site, applies them and takes them back: `ChangeComputer` computes,
 * `ChangeStore` stores, `ChangeNotifier` tells. A change list of one line that cannot be applied is a problem; of
 * several, those that cannot are set aside. What changes something runs inside a transaction, under the site's lock.
 */
final readonly class ChangeHandler
{
    private const LET_IN = 'shared.not-change-site-leads';

    public function __construct(
        private ChangeComputer $computer,
        private ChangeStore $store,
        private ChangeNotifier $notifier,
        private LetInFromOutside $outside,
        private Enrollments $enrollments,
        private AppliedLines $applied,
    ) {}

    /** What a change list would do. */
    public function preview(SiteAccess $access, ChangeRequest $request): ChangesAnswer
    {
        return $this->computer->requested($access, $request->lines)->looked();
    }

    /** What one line would do. */
    public function previewLine(SiteAccess $access, LineRequest $request): LineAnswer
    {
        return $this->computer->requested($access, [$request])->answers[0];
    }

    /**
     * What lines of a change list over several sites would do in one of them.
     *
     * @param array<int, LineRequest> $lines one a person
     */
    public function look(SiteAccess $access, array $lines): ComputedList
    {
        $access->require(Permission::LetIn, self::LET_IN);
        $computed = $this->computer->requested($access, $lines, counting: true);
        $people = array_map(static fn(LineRequest $line): string => $line->person, array_values($lines));
        $versions = $this->enrollments->versions($access->site->id, $people);

        return new ComputedList(
            $computed->lines,
            array_map(
                static fn(LineAnswer $line): LineAnswer => $line->atVersion($versions[$line->personId] ?? 0),
                $computed->answers,
            ),
            $computed->summary,
            $computed->removal,
        );
    }

    /**
     * What taking lines of a change list over several sites back would do in one of them.
     *
     * @param array<int, string> $lineIds
     */
    public function lookBack(SiteAccess $access, array $lineIds): ComputedList
    {
        $access->require(Permission::LetIn, self::LET_IN);
        $computed = $this->computer->undone($access, $lineIds, strict: false, counting: true);

        return new ComputedList(
            $computed->lines,
            array_map(static fn(LineAnswer $line): LineAnswer => $line->atVersion(0), $computed->answers),
            $computed->summary,
            $computed->removal,
        );
    }

    /**
     * Applies lines of a stored change list in one site; those that cannot be are set aside.
     *
     * @param array<int, LineRequest> $lines by their positions; one a person
     * @param ?string                 $tell  words for those who are told; null tells nobody
     *
     * @return array<int, LineAnswer> by position
     */
    public function applyStored(SiteAccess $access, string $changeList, array $lines, ?string $tell): array
    {
        $access->require(Permission::LetIn, self::LET_IN);
        $computed = $this->computer->requested($access, $lines, $this->stale($access, $lines));

        return $this->carryOut($access, $computed, $changeList, $tell)->lines;
    }

    /**
     * Takes lines back as those of a stored change list; those that cannot be are set aside.
     *
     * @param array<int, string> $lineIds by the positions of those that take them back
     *
     * @return array<int, LineAnswer> by position
     */
    public function undoStored(SiteAccess $access, string $changeList, array $lineIds): array
    {
        $access->require(Permission::LetIn, self::LET_IN);

        return $this->carryOut(
            $access,
            $this->computer->undone($access, $lineIds, strict: false),
            $changeList,
        )->lines;
    }

    /** @throws Problem of type `Stale`, `NotReady` or `ManyRemoved` */
    public function apply(SiteAccess $access, ChangeRequest $request): ChangesAnswer
    {
        $stale = $this->stale($access, $request->lines);
        if (1 === \count($request->lines) && [] !== $stale) {
            $since = $access->may(Permission::SeeHistory) ? $this->since($access, $request->lines[0]) : null;
            throw new Problem(
                ProblemType::Stale,
                'changes.somebody-else-changed-person',
                more: null === $since ? [] : ['since' => $since],
            );
        }
        $computed = $this->computer->requested($access, $request->lines, $stale);
        self::assertRemovalsSaid($computed->removal, $request->removing);

        return $this->carryOut($access, $computed, tell: $request->tell);
    }

    /**
     * What taking applied lines of one change list back would do.
     *
     * @param list<string> $lineIds
     *
     * @throws Problem of type `ChangedSince` or `UndoneAlready` for a single line
     */
    public function previewUndo(SiteAccess $access, array $lineIds): ChangesAnswer
    {
        return $this->computer->undone($access, $lineIds, strict: true)->looked();
    }

    /**
     * Takes applied lines of one change list back.
     *
     * @param list<string> $lineIds
     *
     * @throws Problem of type `ChangedSince` or `UndoneAlready` for a single line, `NotReady` or `ManyRemoved`
     */
    public function undo(SiteAccess $access, array $lineIds, ?int $removing = null): ChangesAnswer
    {
        $computed = $this->computer->undone($access, $lineIds, strict: true);
        self::assertRemovalsSaid($computed->removal, $removing);

        return $this->carryOut($access, $computed);
    }

    /**
     * Whoever removes many people at once says how many.
     *
     * @throws Problem of type `ManyRemoved`
     */
    public static function assertRemovalsSaid(?Removal $removal, ?int $said): void
    {
        if (null !== $removal && $said !== $removal->people) {
            throw new Problem(
                ProblemType::ManyRemoved,
                Said::with('changes.many-removed', n: $removal->people, here: $removal->here),
                more: ['removal' => ChangesAnswer::removal($removal)],
            );
        }
    }

    /**
     * @param array<int, LineRequest> $requests one a person
     *
     * @return list<int> keys of those where the person here, or the site, is not as it was when somebody looked
     */
    private function stale(SiteAccess $access, array $requests): array
    {
        $seen = array_filter($requests, static fn(LineRequest $line): bool => null !== $line->version);
        $people = array_map(static fn(LineRequest $line): string => $line->person, array_values($seen));
        $versions = [] === $people ? [] : $this->enrollments->versions($access->site->id, $people);
        $site = $access->row->int('version');

        return array_keys(
            array_filter(
                $requests,
                static fn(LineRequest $line): bool => $line->version !== ($versions[$line->person] ?? null)
                    || !\in_array($line->siteVersion, [null, $site], true),
            ),
        );
    }

    /**
     * @return list<array{actor: string, verb: string, at: ?string}> what was changed after the version somebody looked
     *     at, the last first
     */
    private function since(SiteAccess $access, LineRequest $line): array
    {
        return array_map(
            static fn(Row $row): array => [
                'actor' => PersonRow::name($row),
                'verb' => $row->string('verb'),
                'at' => Instant::toJson($row->instant('made_at')),
            ],
            $this->applied->after($access->site->id, $line->person, (int) $line->version),
        );
    }

    /** @param ?string $changeList the stored change list whose lines these are, by their positions; null makes one */
    private function carryOut(
        SiteAccess $access,
        ComputedList $computed,
        ?string $changeList = null,
        ?string $tell = null,
    ): ChangesAnswer {
        if (null === $changeList && 1 === \count($computed->answers)) {
            $only = $computed->answers[array_key_first($computed->answers)];
            if (!\in_array($only->verdict, [Verdict::Ready, Verdict::NothingToDo], true)) {
                throw new Problem(
                    ProblemType::NotReady,
                    'changes.change-cannot-made-see',
                    more: ['line' => $only],
                );
            }
        }
        $ready = $computed->ready();
        if ([] === $ready) {
            return $computed->applied(null);
        }
        $stored = $this->store->store($access, $ready, $computed->answers, $changeList);
        $this->notifier->lines($access, $ready, $stored, $tell);
        $this->outside->tell($access, $ready);

        return $computed->applied($stored);
    }
}
