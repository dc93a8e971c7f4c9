<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use MintDoor\Core\Changes\ChangeHistory;
use MintDoor\Core\Changes\ChangeListComputer;
use MintDoor\Core\Changes\ComputedChange;
use MintDoor\Core\Changes\Note;
use MintDoor\Core\Changes\Removal;
use MintDoor\Core\Changes\Summary;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roster\SeatsHeld;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Counts;
use MintDoor\Roster\Enrollments;
use MintDoor\Roster\SegmentRow;
use MintDoor\Roster\SiteAccess;
use MintDoor\Roster\Values;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Row;

/**
 * Computes change lists, applies them and takes them back. The rules are the core's; this reads, stores and writes the
 * history. A change list of one line that cannot be applied is a problem; of several, those that cannot are set aside.
 *
 * @phpstan-type SheetJson array{
 *     changeList: ?string,
 *     lines: array<int, array<string, mixed>>,
 *     removal: ?array{people: int, here: int},
 * }
 * @phpstan-type Computed array{
 *     lines: array<int, ComputedChange>,
 *     people: array<int, Row>,
 *     summary: Summary,
 *     removal: ?Removal,
 *     json: SheetJson,
 *     outside?: array<int, bool>,
 * }
 */
final readonly class ChangeHandler
{
    private const CHANGED_SINCE = 'changed-since';

    private const LET_IN = 'You may not change who is in this site. Its leads and co-tutors can.';

    public function __construct(
        private ChangeContextLoader $contextLoader,
        private Enrollments $enrollments,
        private Counts $counts,
        private ChangeListComputer $computer,
        private ChangeStore $store,
        private ChangeHistories $histories,
        private RequestedChanges $requests,
        private Roles $roles,
        private Connection $db,
        private LeftBehind $left,
        private ChangeNotifier $notifier,
        private LetInFromOutside $outside,
    ) {}

    /**
     * What a change list would do. Changes nothing.
     *
     * @return array<string, mixed> schema `Change list`
     */
    public function preview(SiteAccess $access, ChangeRequest $request): array
    {
        return $this->compute($access, $request->lines)['json'];
    }

    /**
     * What one line would do. Changes nothing.
     *
     * @return array<string, mixed> schema `ChangeLine`
     */
    public function previewLine(SiteAccess $access, LineRequest $request): array
    {
        return $this->compute($access, [$request])['json']['lines'][0];
    }

    /**
     * What lines of a change list over several sites would do in one of them. Changes nothing.
     *
     * @param array<int, LineRequest> $lines one a person
     *
     * @return array{lines: array<int, array<string, mixed>>, summary: Summary, removal: ?Removal} lines as schema
     *     `ChangeLine`, by the same keys
     */
    public function look(SiteAccess $access, array $lines): array
    {
        $access->require(Permission::LetIn, self::LET_IN);
        $computed = $this->compute($access, $lines, held: $this->held($access));
        $versions = $this->enrollments->versions(
            $access->site->id,
            array_map(static fn(LineRequest $line): string => $line->person, array_values($lines)),
        );

        return [
            'lines' => array_map(
                static fn(array $line): array => [...$line, 'version' => $versions[$line['person']['id']] ?? 0],
                $computed['json']['lines'],
            ),
            'summary' => $computed['summary'],
            'removal' => $computed['removal'],
        ];
    }

    /**
     * What taking lines of a change list over several sites back would do in one of them. Changes nothing.
     *
     * @param array<int, string> $lineIds
     *
     * @return array{lines: array<int, array<string, mixed>>, summary: Summary, removal: ?Removal} lines as schema
     *     `ChangeLine`, by the same keys
     */
    public function lookBack(SiteAccess $access, array $lineIds): array
    {
        $access->require(Permission::LetIn, self::LET_IN);
        $computed = $this->reversed($access, $lineIds, $this->held($access))['computed'];

        return [
            'lines' => array_map(
                static fn(array $line): array => [...$line, 'version' => 0],
                $computed['json']['lines'],
            ),
            'summary' => $computed['summary'],
            'removal' => $computed['removal'],
        ];
    }

    /**
     * Applies lines of a stored change list in one site; those that cannot be are set aside. Runs inside a transaction,
     * under the site's lock.
     *
     * @param array<int, LineRequest|string> $lines by their positions; one a person, either all requests or all ids of
     *     lines
     *     to be taken back
     * @param ?string                     $tell  words for those who are told; null tells nobody
     *
     * @return array<int, array{verdict: mixed, reasons: mixed, line: mixed}> by position: schema `ChangeLine`, in part
     */
    public function applyStored(SiteAccess $access, string $changeList, array $lines, ?string $tell = null): array
    {
        $access->require(Permission::LetIn, self::LET_IN);
        $requests = array_filter($lines, static fn(LineRequest|string $line): bool => $line instanceof LineRequest);
        if ([] !== $requests) {
            $computed = $this->compute($access, $requests, $this->stale($access, $requests));
            $json = $this->carryOut(
                $access,
                $computed,
                static fn(int $key): array => [$requests[$key]->verb, $requests[$key]->note, null, null],
                $changeList,
                $tell,
            );
        } else {
            $undo = $this->reversed(
                $access,
                array_map(static fn(LineRequest|string $line): string => \is_string($line) ? $line : '', $lines),
            );
            $json = $this->carryOut(
                $access,
                $undo['computed'],
                static fn(int $key): array => [
                    'undo',
                    null,
                    $undo['done'][$key]->id('id'),
                    $undo['done'][$key]->string('verb'),
                ],
                $changeList,
            );
        }

        return array_map(
            static fn(array $line): array => [
                'verdict' => $line['verdict'],
                'reasons' => [] === $line['reasons'] ? $line['cautions'] : $line['reasons'],
                'line' => $line['line'],
            ],
            $json['lines'],
        );
    }

    /**
     * Applies a change list. Runs inside a transaction, under the site's lock.
     *
     * @return array<string, mixed> schema `Change list`
     *
     * @throws Problem of type `Stale`, `NotReady` or `ManyRemoved`
     */
    public function apply(SiteAccess $access, ChangeRequest $request): array
    {
        $stale = $this->stale($access, $request->lines);
        if (1 === \count($request->lines) && [] !== $stale) {
            throw new Problem(
                ProblemType::Stale,
                'Somebody else changed this person here in the meantime. Look at what is so now, then decide again.',
                more: $access->may(Permission::SeeHistory) ? ['since' => $this->since(
                    $access,
                    $request->lines[0]
                )] : [],
            );
        }
        $computed = $this->compute($access, $request->lines, $stale);
        self::assertRemovalsSaid($computed['json']['removal'], $request->removing);

        return $this->carryOut(
            $access,
            $computed,
            static fn(int $key): array => [$request->lines[$key]->verb, $request->lines[$key]->note, null, null],
            tell: $request->tell,
        );
    }

    /**
     * @param array<int, LineRequest> $requests one a person
     *
     * @return list<int> keys of those where the person here, or the site, is not as it was when somebody looked
     */
    private function stale(SiteAccess $access, array $requests): array
    {
        $versions = $this->enrollments->versions(
            $access->site->id,
            array_map(static fn(LineRequest $line): string => $line->person, array_values($requests)),
        );

        return array_keys(
            array_filter(
                $requests,
                static fn(LineRequest $line): bool => (null !== $line->version
                    && $line->version !== $versions[$line->person])
                    || (null !== $line->siteVersion && $line->siteVersion !== $access->row->int('version')),
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
            Row::all(
                $this->db->fetchAllAssociative(
                    <<<'SQL'
                        SELECT n.verb, s.made_at, p.given_name, p.family_name, p.preferred_name
                        FROM change_line n
                        JOIN change_list s ON s.id = n.change_list_id
                        JOIN person p ON p.id = s.made_by
                        WHERE n.site_id = ? AND n.person_id = ? AND n.version_after > ?
                        ORDER BY n.version_after DESC
                        LIMIT 10
                        SQL,
                    [Id::binary($access->site->id), Id::binary($line->person), (int) $line->version],
                ),
            ),
        );
    }

    /**
     * Takes applied lines of one change list back, or says what taking them back would do.
     *
     * @param list<string> $lineIds
     *
     * @return array<string, mixed> schema `Change list`
     *
     * @throws Problem of type `ChangedSince` or `UndoneAlready` for a single line, `NotReady` or `ManyRemoved`
     */
    public function undo(SiteAccess $access, array $lineIds, bool $apply, ?int $removing = null): array
    {
        $undo = $this->reversed($access, $lineIds);
        if ([] === $undo['done']) {
            throw Problem::notFound('This change');
        }
        $only = 1 === \count($lineIds) ? $undo['aside'][array_key_first($undo['done'])] ?? null : null;
        if (null !== $only) {
            throw $only;
        }
        if (!$apply) {
            return $undo['computed']['json'];
        }
        self::assertRemovalsSaid($undo['computed']['json']['removal'], $removing);

        return $this->carryOut(
            $access,
            $undo['computed'],
            static fn(int $key): array => [
                'undo',
                null,
                $undo['done'][$key]->id('id'),
                $undo['done'][$key]->string('verb'),
            ],
        );
    }

    /**
     * Whoever takes many people out at once says how many.
     *
     * @param array{people: int, here: int}|null $removal
     *
     * @throws Problem of type `ManyRemoved`
     */
    public static function assertRemovalsSaid(?array $removal, ?int $said): void
    {
        if (null !== $removal && $said !== $removal['people']) {
            throw new Problem(
                ProblemType::ManyRemoved,
                \sprintf(
                    'This removes %d of %d people. Type the number %1$d to go on.',
                    $removal['people'],
                    $removal['here'],
                ),
                more: ['removal' => $removal],
            );
        }
    }

    /** Seats held, also where their number has no limit: there nobody counts them for the rules. */
    private function held(SiteAccess $access): ?SeatsHeld
    {
        return null === $access->site->seats ? $this->enrollments->seats($access->site->id, $access->now) : null;
    }

    /**
     * What taking lines back would do, in the order in which they are given.
     *
     * @param array<int, string> $lineIds of one site
     *
     * @return array{done: array<int, Row>, aside: array<int, Problem>, computed: Computed}
     */
    private function reversed(SiteAccess $access, array $lineIds, ?SeatsHeld $held = null): array
    {
        $rows = Row::all(
            $this->db->fetchAllAssociative(
                'SELECT id, person_id, verb, effects FROM change_line WHERE site_id = ? AND id IN (?)',
                [Id::binary($access->site->id), array_map(Id::binary(...), array_values($lineIds))],
                [1 => ArrayParameterType::BINARY],
            ),
        );
        $byId = [];
        foreach ($rows as $row) {
            $byId[$row->id('id')] = $row;
        }
        $done = array_map(
            static fn(string $id): Row => $byId[$id],
            array_filter($lineIds, static fn(string $id): bool => isset($byId[$id])),
        );
        [$histories] = $this->histories->of(
            $access->site->id,
            array_values(array_map(static fn(Row $row): string => $row->id('person_id'), $done)),
        );
        $aside = $effects = [];
        foreach ($done as $key => $row) {
            $history = $histories[$row->id('person_id')] ?? new ChangeHistory([]);
            if ($history->mayUndo($row->id('id'))) {
                $effects[$key] = [
                    $row->id('person_id'),
                    array_map(
                        static fn(mixed $effect) => EffectCodec::read((array) $effect),
                        array_values($row->json('effects')),
                    ),
                ];
            } else {
                $aside[$key] =
                    null !== $history->undoneBy($row->id('id'))
                        ? new Problem(ProblemType::UndoneAlready, 'This was already undone.')
                        : new Problem(
                            ProblemType::ChangedSince,
                            'Something was changed for this person here after this. Undo the later change first, or '
                                .'change it by hand.',
                        );
            }
        }
        $people = $this->contextLoader->people(
            array_values(array_unique(array_map(static fn(Row $row): string => $row->id('person_id'), $done))),
        );
        foreach ($done as $key => $row) {
            if (null !== $people[$row->id('person_id')]->stringOrNull('gone')) {
                $aside[$key] = new Problem(
                    ProblemType::ChangedSince,
                    'This person is in the directory no more. What two who became one had is taken back with their '
                        .'change list.',
                );
                unset($effects[$key]);
            }
        }
        $context = $this->contextLoader->of($access, $people);

        return [
            'done' => $done,
            'aside' => $aside,
            'computed' => $this->answer(
                $access,
                array_map(static fn(Row $row): Row => $people[$row->id('person_id')], $done),
                $this->computer->undo($context, $effects),
                $held ?? $context->seats,
            ),
        ];
    }

    /**
     * @param array<int, LineRequest> $requests one a person
     * @param list<int>            $aside  keys of lines that are not to be computed
     * @param ?SeatsHeld           $held   seats held before, where the rules do not need them
     *
     * @return Computed with `outside`, by key: whether the caller has anything to do with the person
     */
    private function compute(SiteAccess $access, array $requests, array $aside = [], ?SeatsHeld $held = null): array
    {
        $most = $this->roles->limits()->changeList;
        if (\count($requests) > $most) {
            throw Problem::field(
                '/lines',
                'too-many',
                \sprintf(
                    'A change list has %s lines at most here. Choose fewer people, and do the rest after.',
                    number_format($most),
                ),
            );
        }
        $people = $this->contextLoader->people(
            array_values(array_map(static fn(LineRequest $line): string => $line->person, $requests)),
        );
        $gone = array_keys(
            array_filter(
                $requests,
                static fn(LineRequest $line): bool => null !== $people[$line->person]->stringOrNull('gone'),
            ),
        );
        $outside = $this->outside->of($requests, $people, $access);
        $wanted = $this->requests->wanted(
            array_diff_key($requests, array_flip([...$aside, ...$gone])),
            $outside,
            $access
        );
        $context = $this->contextLoader->of($access, $people);

        $computed = $this->answer(
            $access,
            array_map(static fn(LineRequest $line): Row => $people[$line->person], $requests),
            $this->computer->compute($context, $wanted),
            $held ?? $context->seats,
            array_map(static fn(LineRequest $line): string => $line->verb, $requests),
        );
        $computed['outside'] = $outside;

        return $computed;
    }

    /**
     * @param array<int, Row>        $people one a line
     * @param array<array-key, ComputedChange> $lines  by the same keys; those set aside are missing
     * @param SeatsHeld              $held   seats held before
     * @param array<int, string>     $verbs  of lines people may be told of
     *
     * @return Computed
     */
    private function answer(SiteAccess $access, array $people, array $lines, SeatsHeld $held, array $verbs = []): array
    {
        $json = $ready = [];
        $names = $this->doorNames($access->site->id);
        $pieces = $this->left->pieces($access->site->id, $lines, $people);
        foreach ($people as $key => $row) {
            $line = $lines[$key] ?? null;
            $json[$key] = [
                'person' => ['id' => $row->id('person_id'), 'name' => PersonRow::name($row)],
                'told' =>
                    Verdict::Ready === $line?->verdict && isset($verbs[$key]) ? ChangeNotifier::how(
                        $verbs[$key],
                        $row
                    ) : null,
                ...$this->json(
                    $line,
                    $access,
                    $names,
                    $pieces[$key] ?? 0,
                    null === $row->stringOrNull('gone') ? self::CHANGED_SINCE : 'gone',
                ),
            ];
            if (Verdict::Ready === $line?->verdict) {
                $ready[$key] = $line;
            }
        }
        $removal = null;
        if (\count($ready) > $this->roles->limits()->removalFew) {
            $count = $this->counts->of([$access->site->id], $access->now)[$access->site->id];
            $removal = Removal::of(
                array_values($ready),
                $count->learners + $count->staff + $count->others + $count->unlisted,
                $this->roles->limits(),
            );
        }

        return [
            'lines' => $ready,
            'people' => $people,
            'summary' => Summary::of($lines, $access->site, $this->roles->book(), $held),
            'removal' => $removal,
            'json' => [
                'changeList' => null,
                'lines' => $json,
                'removal' => null === $removal ? null : ['people' => $removal->people, 'here' => $removal->here],
            ],
        ];
    }

    /**
     * @param Computed $computed
     * @param callable(int): array{string, ?string, ?string, ?string} $about of a line: verb, note, id of the line it
     *     takes back, and that one's verb
     * @param ?string                                                 $changeList the stored change list whose lines
     *     these are, by
     *     their positions; null makes one
     *
     * @return SheetJson schema `Change list`
     */
    private function carryOut(
        SiteAccess $access,
        array $computed,
        callable $about,
        ?string $changeList = null,
        ?string $tell = null,
    ): array {
        $json = $computed['json'];
        $only = null === $changeList && 1 === \count($json['lines']) ? reset($json['lines']) : null;
        if (
            null !== $only
            && !\in_array($only['verdict'], [Verdict::Ready->value, Verdict::NothingToDo->value], true)
        ) {
            throw new Problem(
                ProblemType::NotReady,
                'This change cannot be made: see its reasons.',
                more: ['line' => $only],
            );
        }
        $toStore = [];
        foreach ($computed['lines'] as $key => $line) {
            [$verb, $note, $undoes, $undoesOf] = $about($key);
            $person = $computed['people'][$key];
            $toStore[$key] = new StoredLine(
                $person->id('person_id'),
                $person->string('sort_name'),
                $verb,
                $line,
                $json['lines'][$key],
                $note,
                $undoes,
                $undoesOf,
            );
        }
        $stored = [];
        if ([] !== $toStore) {
            [$json['changeList'], $stored] = $this->store->store($access, $toStore, $changeList);
            $this->notifier->lines($access, $toStore, $computed['people'], $stored, $json['changeList'], $tell);
            $this->outside->tell(
                $access,
                array_intersect_key($toStore, $computed['outside'] ?? []),
                $computed['people'],
            );
        }
        foreach ($json['lines'] as $key => $line) {
            $json['lines'][$key] = [
                ...$line,
                'entry' => $stored[$key]['entry'] ?? null,
                'line' => $stored[$key]['line'] ?? null,
                ...isset($stored[$key]) ? ['version' => $stored[$key]['version']] : [],
            ];
        }

        return $json;
    }

    /**
     * @param array<string, string> $doors  names by id
     * @param int                   $pieces of work somebody leaves behind
     * @param string                $aside  why there is no line
     *
     * @return array<string, mixed> schema `ChangeLine`, without whom it is about
     */
    private function json(?ComputedChange $line, SiteAccess $access, array $doors, int $pieces, string $aside): array
    {
        $note = static fn(Note $note): array => [
            'code' => $note->code,
            'values' => (object) Values::json(
                'work-stays' === $note->code ? ['pieces' => $pieces] : $note->values,
                static fn(string $door): string => $doors[$door] ?? '',
            ),
        ];
        $book = $this->roles->book();

        return [
            'verdict' => ($line->verdict ?? Verdict::Refused)->value,
            'before' => SegmentRow::json($line?->before, $book),
            'after' => SegmentRow::json($line?->after, $book),
            'outlook' =>
                null === $line ? [] : SegmentRow::stretches($line->timeline->from($access->now)->segments, $book),
            'reasons' => null === $line ? [$note(new Note($aside))] : array_map($note, $line->reasons),
            'cautions' => null === $line ? [] : array_map($note, $line->cautions),
        ];
    }

    /** @return array<string, string> names by id */
    private function doorNames(string $siteId): array
    {
        $names = [];
        foreach (
            Row::all(
                $this->db->fetchAllAssociative('SELECT id, name FROM door WHERE site_id = ?', [Id::binary($siteId)]),
            ) as $row
        ) {
            $names[$row->id('id')] = $row->string('name');
        }

        return $names;
    }
}
