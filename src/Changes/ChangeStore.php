<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use MintDoor\Core\Changes\Effect;
use MintDoor\Core\Changes\EffectKind;
use MintDoor\Core\Roster\Grant;
use MintDoor\Core\Roster\Override;
use MintDoor\Core\Roster\OverrideKind;
use MintDoor\History\History;
use MintDoor\Roster\Counts;
use MintDoor\Roster\Enrollments;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\BulkId;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\Id;
use MintDoor\Shared\Ids;
use MintDoor\Shared\Instant;

/**
 * Stores the ready lines of a change list, many rows to a statement: what they do to grants and overrides, the
 * timelines that follow, the change list itself and its entries in the history. Runs inside a transaction, under the
 * site's lock.
 */
final readonly class ChangeStore
{
    public function __construct(
        private Connection $db,
        private Enrollments $enrollments,
        private Counts $counts,
        private History $history,
        private Ids $ids,
    ) {}

    /**
     * @param non-empty-array<array-key, StoredLine> $lines one a person
     * @param ?string                                $changeList  id of the stored change list whose lines these are, by
     *     their
     *     positions; null makes one
     * @param bool                                   $listed whether one that is made is found among change lists, where
     *     it is
     *     of several people
     *
     * @return array{string, array<array-key, array{line: string, entry: int, version: int}>} id of the change list, and
     *     of
     *     each line its id, entry in the history, and the version of the enrollment after it
     */
    public function store(SiteAccess $access, array $lines, ?string $changeList = null, bool $listed = true): array
    {
        $site = $access->site->id;
        $this->grantsAndOverrides($access, $lines);
        $timelines = [];
        foreach ($lines as $line) {
            $timelines[$line->personId] = [$line->line->timeline, $line->sortName];
        }
        $versions = $this->enrollments->store($site, $timelines);
        if (1 === \count($lines)) {
            $only = reset($lines);
            $this->counts->changed($site, $access->now, $only->line->before, $only->line->timeline);
        } else {
            $this->counts->forget($site);
        }
        $rows = new BulkWriter($this->db);
        $own = null === $changeList;
        $changeList ??= $this->ids->next();
        if ($own) {
            $by = BulkWriter::id($access->caller->id);
            $at = Instant::toSql($access->now);
            $rows->add('change_list', [
                'id' => BulkWriter::id($changeList),
                'site_id' => BulkWriter::id($site),
                'made_by' => $by,
                'made_at' => $at,
                'state' => 'applied',
                'changed_by' => $by,
                'changed_at' => $at,
                'total' => \count($lines),
                'done' => \count($lines),
                'applied' => \count($lines),
                'kind' => $listed ? $this->kind($lines) : 'single',
                'undoes' => $this->undone($lines),
            ]);
        }
        $entries = $stored = [];
        $position = 0;
        foreach ($lines as $key => $line) {
            $id = $this->ids->next();
            $version = $versions[$line->personId];
            $json = static fn(mixed $value): string => json_encode(
                $value,
                \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE,
            );
            $rows->add('change_line', [
                'id' => BulkWriter::id($id),
                'change_list_id' => BulkWriter::id($changeList),
                'position' => $own ? ++$position : (int) $key,
                'site_id' => BulkWriter::id($site),
                'person_id' => BulkWriter::id($line->personId),
                'verb' => $line->verb,
                'verdict' => $line->line->verdict->value,
                'state_before' => $json((array) $line->json['before']),
                'state_after' => $json((array) $line->json['after']),
                'notes' => $json(['reasons' => $line->json['reasons'], 'cautions' => $line->json['cautions']]),
                'effects' => $json(array_map(EffectCodec::write(...), $line->line->effects)),
                'version_after' => $version,
                'undoes' => BulkWriter::id($line->undoes),
            ]);
            $data = [
                'before' => $line->json['before'],
                'after' => $line->json['after'],
                ...null === $line->undoesOf ? [] : ['of' => $line->undoesOf],
            ];
            $entries[] = [$line->verb, $data, $line->personId, $id];
            $stored[$key] = ['line' => $id, 'entry' => 0, 'version' => $version];
        }
        $rows->flush();
        $sequence = $this->history->write($site, $access->caller, $entries);
        foreach (array_keys($stored) as $key) {
            $stored[$key]['entry'] = $sequence++;
        }

        return [$changeList, $stored];
    }

    /**
     * How a change list that is applied at once came about; changes of one person by hand are not listed among change
     * lists.
     *
     * @param non-empty-array<array-key, StoredLine> $lines
     */
    private function kind(array $lines): string
    {
        return 1 === \count($lines) ? 'single' : (null === reset($lines)->undoes ? 'roster' : 'undo');
    }

    /**
     * The change list these lines take back.
     *
     * @param non-empty-array<array-key, StoredLine> $lines
     */
    private function undone(array $lines): ?BulkId
    {
        $undoes = reset($lines)->undoes;
        $changeList =
            null === $undoes || 1 === \count($lines)
                ? false
                : $this->db->fetchOne('SELECT change_list_id FROM change_line WHERE id = ?', [Id::binary($undoes)]);

        return \is_string($changeList) ? BulkWriter::id(Id::text($changeList)) : null;
    }

    /** @param array<array-key, StoredLine> $lines */
    private function grantsAndOverrides(SiteAccess $access, array $lines): void
    {
        $rows = new BulkWriter($this->db);
        $doors = $ended = [];
        $undone = $again = [];
        foreach ($lines as $line) {
            foreach ($line->line->effects as $effect) {
                if (EffectKind::GiveGrant === $effect->kind && null !== $effect->grant) {
                    $doors[$effect->grant->doorId][] = Id::binary($line->personId);
                }
                if (EffectKind::EndOverride === $effect->kind && null !== $effect->override) {
                    $ended[$effect->at][] = Id::binary($effect->override->origin);
                }
                if (
                    null !== $effect->override
                    && null !== $effect->grantId
                    && OverrideKind::Undone === $effect->override->kind
                ) {
                    EffectKind::PutOverride === $effect->kind
                        ? ($undone[] = Id::binary($effect->grantId))
                        : ($again[] = Id::binary($effect->grantId));
                }
            }
        }
        foreach ($doors as $door => $people) {
            $this->db->executeStatement(
                'UPDATE access_grant SET live = NULL WHERE door_id = ? AND person_id IN (?) AND live = 1',
                [Id::binary($door), $people],
                [1 => ArrayParameterType::BINARY],
            );
        }
        foreach ($ended as $at => $origins) {
            $this->db->executeStatement(
                <<<'SQL'
                    UPDATE enrollment_override
                    SET until_at = GREATEST(from_at, ?), ended_by = ?
                    WHERE origin_id IN (?) AND until_at > ?
                    SQL,
                [Instant::toSql($at), Id::binary($access->caller->id), $origins, Instant::toSql($at)],
                [2 => ArrayParameterType::BINARY],
            );
        }
        $this->live($undone, null);
        foreach ($lines as $line) {
            foreach ($line->line->effects as $effect) {
                $this->effect($rows, $access, $line, $effect);
            }
        }
        $rows->flush();
        $this->live($again, 1);
    }

    private function effect(BulkWriter $rows, SiteAccess $access, StoredLine $line, Effect $effect): void
    {
        $whose = ['site_id' => BulkWriter::id($access->site->id), 'person_id' => BulkWriter::id($line->personId)];
        if (EffectKind::GiveGrant === $effect->kind && null !== $effect->grant) {
            $rows->add('access_grant', [
                ...self::grant($effect->grant),
                ...$whose,
                'given_by' => BulkWriter::id($access->caller->id),
                'live' => true,
            ]);
        } elseif (EffectKind::PutOverride === $effect->kind && null !== $effect->override) {
            $note = trim((string) $line->note);
            $rows->add('enrollment_override', [
                ...self::override($effect->override, $effect->grantId),
                ...$whose,
                'put_by' => BulkWriter::id($access->caller->id),
                'note' => '' === $note ? null : $note,
            ]);
        }
    }

    /** @param list<string> $grants binary ids */
    private function live(array $grants, ?int $live): void
    {
        if ([] !== $grants) {
            $this->db->executeStatement(
                'UPDATE access_grant SET live = ? WHERE id IN (?)',
                [$live, $grants],
                [1 => ArrayParameterType::BINARY],
            );
        }
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
        ];
    }
}
