<?php

declare(strict_types=1);

namespace MintDoor\Accounts\Repository;

use MintDoor\Accounts\Traces;
use MintDoor\Changes\Entity\ChangeList;
use MintDoor\Core\Roster\State;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;

/**
 * What other rooms hold about somebody, counted, and emptied when they are erased. By hand: whole tables are looked
 * through for a name.
 *
 * @extends BaseRepository<ChangeList>
 */
final class HeldAbout extends BaseRepository
{
    protected const ENTITY = ChangeList::class;

    private const COUNTS = [
        'sites' => 'enrollment',
        'entries' => 'history_entry',
        'notes' => 'person_note',
        'labels' => 'person_label',
        'messages' => 'message',
    ];

    /**
     * @param list<string> $people ids of somebody and those merged into them
     *
     * @return array{sites: int, entries: int, notes: int, labels: int, messages: int}
     */
    public function counts(array $people): array
    {
        $ids = self::binary($people);

        return array_map(
            fn(string $table): int => $this->number("SELECT COUNT(*) FROM $table WHERE person_id IN (?)", [$ids]),
            self::COUNTS,
        );
    }

    /**
     * Whether somebody is in a site, or will be.
     *
     * @param list<string> $people ids of somebody and those merged into them
     */
    public function here(array $people, int $now): bool
    {
        return null !== $this->row(
            'SELECT 1 FROM enrollment_segment WHERE person_id IN (?) AND until_at > ? AND state IN (?) LIMIT 1',
            [self::binary($people), Instant::toSql($now), State::valuesHere()],
        );
    }

    /** @param list<string> $people ids of somebody and those merged into them */
    public function administers(array $people): bool
    {
        return null !== $this->row(
            <<<'SQL'
                SELECT 1 FROM account WHERE person_id IN (:people) AND platform_administrator = 1
                UNION
                SELECT 1 FROM division_administrator WHERE person_id IN (:people)
                SQL,
            ['people' => self::binary($people)],
        );
    }

    /** Messages that went to somebody, or to their address before it was known to be theirs, say nothing any more. */
    public function emptyMessages(Traces $traces): void
    {
        $this->execute(
            <<<'SQL'
                DELETE FROM letter
                WHERE address = :email OR SUBSTRING_INDEX(id, '@', 1) IN (
                    SELECT LOWER(CONCAT_WS('-', SUBSTR(HEX(m.id), 1, 8), SUBSTR(HEX(m.id), 9, 4),
                        SUBSTR(HEX(m.id), 13, 4), SUBSTR(HEX(m.id), 17, 4), SUBSTR(HEX(m.id), 21)))
                    FROM message m
                    WHERE m.person_id = :person
                )
                SQL,
            ['email' => $traces->email ?? '', 'person' => Id::binary($traces->person)],
        );
        $this->execute(
            <<<'SQL'
                UPDATE message
                SET state = IF(state IN ('held', 'delayed'), 'withdrawn', state), address = '', subject = '',
                    body = '', reason = NULL, due_at = NULL
                WHERE person_id = :person OR (address = :email AND address <> '')
                SQL,
            ['email' => $traces->email ?? '', 'person' => Id::binary($traces->person)],
        );
    }

    /** Everything that is theirs alone goes. */
    public function deleteTheirs(string $person): void
    {
        foreach (
            [
                'account',
                'session',
                'first_password',
                'calendar_address',
                'person_label',
                'person_detail',
                'person_note',
                'notice',
                'idempotency',
                'settled_line',
                'plan_wish',
                'group_place',
                'group_invite',
                'cohort_member',
                'link_work',
            ] as $table
        ) {
            $this->execute("DELETE FROM $table WHERE person_id = ?", [Id::binary($person)]);
        }
    }

    /** They lead no group any more. */
    public function leadsNothing(string $person): void
    {
        $this->execute(
            <<<'SQL'
                UPDATE site_group
                SET leader_id = NULL
                WHERE leader_id = ?
                SQL,
            [Id::binary($person)],
        );
    }

    /** Notes of staff on what they set say nothing any more. */
    public function emptyOverrides(string $person): void
    {
        $this->execute('UPDATE enrollment_override SET note = NULL WHERE person_id = ?', [Id::binary($person)]);
        $this->execute("UPDATE change_line SET notes = JSON_REMOVE(notes, '$.why') WHERE person_id = ?", [
            Id::binary($person),
        ]);
    }

    /** What was typed or pasted in change lists that are done, where it names them. */
    public function emptyWork(Traces $traces): void
    {
        $like = static fn(string $text): string => '%'
            .addcslashes(trim((string) json_encode($text, \JSON_UNESCAPED_UNICODE), '"'), '%_\\')
            .'%';
        foreach (["kind <> 'sites'" => 'NULL', "kind = 'sites'" => "JSON_REMOVE(work, '$.text')"] as $which => $work) {
            $this->execute(
                <<<SQL
                    UPDATE change_list
                    SET work = $work
                    WHERE $which AND state IN ('applied', 'dropped') AND (work LIKE ? OR (work LIKE ? AND work LIKE ?))
                    SQL,
                ['%'.$traces->person.'%', $like($traces->facts->given), $like($traces->facts->family)],
            );
        }
        $this->execute('UPDATE change_list SET undo_data = NULL WHERE undo_data LIKE ?', ['%'.$traces->person.'%']);
    }

    /**
     * In what others are still working on, names and numbers give way to a placeholder; the rest of it stays theirs.
     */
    public function replaceInDrafts(Traces $traces, string $placeholder): void
    {
        $words = $traces->words();
        $drafts = $this->rows(
            <<<'SQL'
                SELECT id, work
                FROM change_list
                WHERE state IN ('draft', 'applying') AND work IS NOT NULL
                FOR UPDATE
                SQL,
        );
        foreach ($drafts as $draft) {
            $work = json_decode($draft->string('work'), true);
            $without = \is_array($work) ? $work : [];
            array_walk_recursive($without, static function (mixed &$value) use ($words, $placeholder): void {
                $value = \is_string($value) ? str_ireplace($words, $placeholder, $value) : $value;
            });
            if (\is_array($work) && $without !== $work) {
                $this->execute('UPDATE change_list SET work = ?, version = version + 1 WHERE id = ?', [
                    json_encode((object) $without, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE),
                    Id::binary($draft->id('id')),
                ]);
            }
        }
    }
}
