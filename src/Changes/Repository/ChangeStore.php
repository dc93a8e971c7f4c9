<?php

declare(strict_types=1);

namespace MintDoor\Changes\Repository;

use Doctrine\Persistence\ManagerRegistry;
use MintDoor\Changes\ComputedLine;
use MintDoor\Changes\EffectCodec;
use MintDoor\Changes\Entity\ChangeLine;
use MintDoor\Changes\LineAnswer;
use MintDoor\Changes\LooksAgain;
use MintDoor\Changes\StoredAs;
use MintDoor\Changes\StoredChanges;
use MintDoor\Core\Changes\ComputedChange;
use MintDoor\Core\Changes\Effect;
use MintDoor\Core\Changes\EffectKind;
use MintDoor\Core\Changes\Laws;
use MintDoor\Core\Changes\Note;
use MintDoor\Core\Roster\Grant;
use MintDoor\Core\Roster\Override;
use MintDoor\Core\Roster\OverrideKind;
use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\People\PersonRow;
use MintDoor\Roster\NamedTimeline;
use MintDoor\Roster\Repository\Counts;
use MintDoor\Roster\Repository\Enrollments;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\BulkId;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use Symfony\Component\DependencyInjection\Attribute\AutowireIterator;

/**
 * Stores the ready lines of a change list, many rows to a statement: what they do to grants and overrides, the
 * timelines that follow, the change list itself and its entries in the history. Runs inside a transaction, under the
 * site's lock. By hand: `bin/bench` holds it to a share of what raw statements take.
 *
 * @extends BaseRepository<ChangeLine>
 */
final class ChangeStore extends BaseRepository
{
    protected const ENTITY = ChangeLine::class;

    public function __construct(
        ManagerRegistry $managers,
        private readonly Enrollments $enrollments,
        private readonly Counts $counts,
        private readonly History $history,
        private readonly AppliedLines $applied,
        /** @var iterable<LooksAgain> */
        #[AutowireIterator(LooksAgain::class)] private readonly iterable $look,
    ) {
        parent::__construct($managers);
    }

    /**
     * @param non-empty-array<int, ComputedLine> $lines      that are ready, one a person
     * @param array<int, LineAnswer>             $answers    by the same keys
     * @param ?string                            $changeList id of the stored change list whose lines these are, by
     *     their positions; null makes one
     * @param bool                               $listed     whether one that is made is found among change lists, where
     *     it is of several people
     */
    public function store(
        SiteAccess $access,
        array $lines,
        array $answers,
        ?string $changeList = null,
        bool $listed = true,
    ): StoredChanges {
        $site = $access->site->id;
        $timelines = [];
        foreach ($lines as $line) {
            $timelines[$line->personId()] = new NamedTimeline(
                self::change($line)->timeline,
                $line->person->string('sort_name'),
                PersonRow::alike($line->person),
            );
        }
        $versions = $this->enrollments->countChange($site, array_keys($timelines));
        $this->grantsAndOverrides($access, $lines);
        $this->enrollments->store($site, $timelines);
        $this->recount($access, $lines);
        $rows = $this->bulk();
        $own = null === $changeList;
        if ($own) {
            $changeList = self::newId();
            $rows->add('change_list', $this->changeList($access, $lines, $changeList, $listed));
        }
        $happenings = $stored = [];
        $position = 0;
        foreach ($lines as $key => $line) {
            $id = self::newId();
            $version = $versions[$line->personId()];
            $rows->add('change_line', [
                'id' => BulkWriter::id($id),
                'change_list_id' => BulkWriter::id($changeList),
                'position' => $own ? ++$position : $key,
                'site_id' => BulkWriter::id($site),
                ...self::line($line, $answers[$key]),
                'version_after' => $version,
            ]);
            $data = ['before' => $answers[$key]->before, 'after' => $answers[$key]->after];
            $data += null === $line->undoesOf ? [] : ['of' => $line->undoesOf];
            $happenings[] = new Happening($line->verb, $data, $line->personId(), $id);
            $stored[$key] = ['line' => $id, 'version' => $version];
        }
        $rows->flush();
        $entry = $this->history->writeAll($site, $access->caller, $happenings);
        foreach ($stored as $key => $as) {
            $stored[$key] = new StoredAs($as['line'], $entry++, $as['version']);
        }

        foreach ($this->look as $each) {
            $each->lookAgain($site, $listed ? array_keys($timelines) : [], $access->now);
        }

        return new StoredChanges($changeList, $stored);
    }

    /** @param non-empty-array<int, ComputedLine> $lines */
    private function recount(SiteAccess $access, array $lines): void
    {
        if (1 === \count($lines)) {
            $only = self::change($lines[array_key_first($lines)]);
            $this->counts->changed($access->site->id, $access->now, $only->before, $only->timeline);
        } else {
            $this->counts->forget($access->site->id);
        }
    }

    /**
     * A change list that is applied at once. Changes of one person by hand are not listed among change lists.
     *
     * @param non-empty-array<int, ComputedLine> $lines
     *
     * @return array<string, string|int|BulkId|null> its columns
     */
    private function changeList(SiteAccess $access, array $lines, string $id, bool $listed): array
    {
        $by = BulkWriter::id($access->caller->id);
        $at = Instant::toSql($access->now);
        $undoes = $lines[array_key_first($lines)]->undoes;
        $many = \count($lines);
        $kind = null === $undoes ? 'roster' : 'undo';

        return [
            'id' => BulkWriter::id($id),
            'site_id' => BulkWriter::id($access->site->id),
            'made_by' => $by,
            'made_at' => $at,
            'state' => 'applied',
            'changed_by' => $by,
            'changed_at' => $at,
            'total' => $many,
            'done' => $many,
            'applied' => $many,
            'kind' => $listed && $many > 1 ? $kind : 'single',
            'undoes' => BulkWriter::id(null === $undoes || 1 === $many ? null : $this->applied->listOf($undoes)),
        ];
    }

    /** @return array<string, string|BulkId|null> columns of a line, without its place */
    private static function line(ComputedLine $line, LineAnswer $answer): array
    {
        $json = static fn(mixed $value): string => json_encode(
            $value,
            \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE,
        );
        $change = self::change($line);

        return [
            'person_id' => BulkWriter::id($line->personId()),
            'verb' => $line->verb,
            'verdict' => $change->verdict->value,
            'state_before' => $json((array) $answer->before),
            'state_after' => $json((array) $answer->after),
            'notes' => $json([
                'reasons' => $answer->reasons,
                'cautions' => $answer->cautions,
                ...self::why($line, $change),
            ]),
            'effects' => $json(array_map(EffectCodec::write(...), $change->effects)),
            'undoes' => BulkWriter::id($line->undoes),
        ];
    }

    /** @return array{why?: string} why somebody is in two places at once on purpose */
    private static function why(ComputedLine $line, ComputedChange $change): array
    {
        $note = trim((string) $line->note);
        $clash = array_filter($change->cautions, static fn(Note $caution): bool => Laws::CLASH === $caution->code);

        return '' === $note || [] === $clash ? [] : ['why' => $note];
    }

    private static function change(ComputedLine $line): ComputedChange
    {
        return $line->change ?? throw new \LogicException('A line is stored that was not computed.');
    }

    /** Whether somebody had a grant of a door before. */
    private static function hadOneOf(string $door, string $grant, ComputedLine $line): bool
    {
        $others = array_filter(
            self::change($line)->result->grants,
            static fn(Grant $each): bool => $each->doorId === $door && $each->id !== $grant,
        );

        return [] !== $others;
    }

    /** @param non-empty-array<int, ComputedLine> $lines */
    private function grantsAndOverrides(SiteAccess $access, array $lines): void
    {
        $doors = $ended = $undone = $again = [];
        foreach ($lines as $line) {
            foreach (self::change($line)->effects as $effect) {
                $given = EffectKind::GiveGrant === $effect->kind ? $effect->grant : null;
                if (null !== $given && self::hadOneOf($given->doorId, $given->id, $line)) {
                    $doors[$given->doorId][] = $line->personId();
                }
                if (EffectKind::EndOverride === $effect->kind && null !== $effect->override) {
                    $ended[$effect->at][] = $effect->override->origin;
                }
                if (null !== $effect->grantId && OverrideKind::Undone === $effect->override?->kind) {
                    EffectKind::PutOverride === $effect->kind
                        ? ($undone[] = $effect->grantId)
                        : ($again[] = $effect->grantId);
                }
            }
        }
        foreach ($doors as $door => $people) {
            $this->execute(
                'UPDATE access_grant SET live = NULL WHERE door_id = ? AND person_id IN (?) AND live = 1',
                [Id::binary($door), self::binary($people)],
            );
        }
        foreach ($ended as $at => $origins) {
            $this->end($origins, $at, $access->caller->id);
        }
        $this->live($undone, null);
        $rows = $this->bulk();
        foreach ($lines as $line) {
            $last = self::lastOfDoors(self::change($line)->effects);
            foreach (self::change($line)->effects as $effect) {
                $this->effect($rows, $access, $line, $effect, $last);
            }
        }
        $rows->flush();
        $this->live($again, 1);
    }

    /** @param list<string> $origins ids of the first pieces of overrides */
    private function end(array $origins, int $at, string $by): void
    {
        $this->execute(
            <<<'SQL'
                UPDATE enrollment_override
                SET until_at = GREATEST(from_at, :at), ended_by = :by
                WHERE origin_id IN (:origins) AND until_at > :at
                SQL,
            ['at' => Instant::toSql($at), 'by' => Id::binary($by), 'origins' => self::binary($origins)],
        );
    }

    /**
     * Of several that one line gives by one door, the last is the one that is looked at.
     *
     * @param list<Effect> $effects
     *
     * @return array<string, string> id of a grant by door
     */
    private static function lastOfDoors(array $effects): array
    {
        $last = [];
        foreach ($effects as $effect) {
            if (null !== $effect->grant) {
                $last[$effect->grant->doorId] = $effect->grant->id;
            }
        }

        return $last;
    }

    /** @param array<string, string> $last as `lastOfDoors()` */
    private function effect(
        BulkWriter $rows,
        SiteAccess $access,
        ComputedLine $line,
        Effect $effect,
        array $last,
    ): void {
        $whose = ['site_id' => BulkWriter::id($access->site->id), 'person_id' => BulkWriter::id($line->personId())];
        $by = static fn(?string $before): ?BulkId => BulkWriter::id($line->asItWas ? $before : $access->caller->id);
        if (EffectKind::GiveGrant === $effect->kind && null !== $effect->grant) {
            $rows->add('access_grant', [
                ...self::grant($effect->grant),
                ...$whose,
                'given_by' => $by($effect->grant->givenBy),
                'live' => $last[$effect->grant->doorId] === $effect->grant->id ? true : null,
            ]);
        } elseif (EffectKind::PutOverride === $effect->kind && null !== $effect->override) {
            $note = trim((string) $line->note);
            $rows->add('enrollment_override', [
                ...self::override($effect->override, $effect->grantId),
                ...$whose,
                'put_by' => $by($effect->override->putBy),
                'note' => '' === $note ? null : $note,
            ]);
        }
    }

    /** @param list<string> $grants ids */
    private function live(array $grants, ?int $live): void
    {
        [] === $grants
            || $this->execute('UPDATE access_grant SET live = ? WHERE id IN (?)', [$live, self::binary($grants)]);
    }

    /** @return array<string, string|int|bool|BulkId|null> a grant as its row holds it, without whose it is */
    public static function grant(Grant $grant): array
    {
        return [
            'id' => BulkWriter::id($grant->id),
            'door_id' => BulkWriter::id($grant->doorId),
            'role' => $grant->role,
            'given_at' => Instant::toSql($grant->givenAt),
            'from_at' => Instant::toSql($grant->window->from),
            'until_at' => Instant::toSql($grant->window->until),
            'accepted_at' => Instant::toSql($grant->acceptedAt),
            'since_at' => Instant::toSql($grant->since),
            'section_id' => BulkWriter::id($grant->section),
        ];
    }

    /** @return array<string, string|int|bool|BulkId|null> an override as its row holds it, without whose it is */
    public static function override(Override $override, ?string $grantId): array
    {
        return [
            'id' => BulkWriter::id($override->id),
            'origin_id' => BulkWriter::id($override->origin),
            'kind' => $override->kind->value,
            'from_at' => Instant::toSql($override->window->from),
            'until_at' => Instant::toSql($override->window->until),
            'grant_id' => BulkWriter::id($grantId),
            'role' => $override->role,
            'dates_from' => null === $override->dates ? null : Instant::toSql($override->dates->from),
            'dates_until' => null === $override->dates ? null : Instant::toSql($override->dates->until),
            'height' => $override->height,
            'sections' => null === $override->sections ? null : implode(' ', $override->sections),
        ];
    }
}
