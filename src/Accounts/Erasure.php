<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use MintDoor\Changes\ChangeLists;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Text\Folding;
use MintDoor\History\History;
use MintDoor\People\PersonFacts;
use MintDoor\People\PersonRow;
use MintDoor\Roster\Caring;
use MintDoor\Roster\PersonGate;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;
use MintDoor\Shared\Sealer;

/**
 * Erases somebody who left, for good: names and addresses go from wherever they are, counts and history stay under a
 * placeholder. Runs inside a transaction.
 */
final readonly class Erasure
{
    /** How somebody erased is called. */
    public const PLACEHOLDER = 'Erased person';

    private const SENTENCES = [
        'own-account' => 'Nobody erases themselves. Ask another administrator.',
        'not-yours' => 'Only administrators of their division erase somebody.',
        'administers' => 'This person administers something. Take that from them first, under Rules.',
        'gone' => 'This person is in the directory no more.',
        'still-here' => 'This person is still in a site, or will be. Take them out everywhere first.',
    ];

    /** Tables of which everything of theirs goes. */
    private const THEIRS = [
        'account',
        'session',
        'first_password',
        'person_label',
        'person_note',
        'notice',
        'idempotency',
        'settled_line',
    ];

    public function __construct(
        private Connection $db,
        private PersonGate $gate,
        private Caring $caring,
        private PersonFacts $facts,
        private ChangeLists $changeLists,
        private History $history,
        private PlatformClock $clock,
        private Sealer $sealer,
    ) {}

    /** @return array<string, mixed> schema `Erasure` */
    public function of(string $person, bool $apply, Caller $caller): array
    {
        $row = $this->gate->at($person, $caller)[0];
        $people = $this->gate->everyId($person);
        $refusal = $this->refusal($row, $people, $caller);
        if ('not-yours' === $refusal) {
            throw Problem::notAllowed(self::SENTENCES[$refusal]);
        }
        $counts = array_map(
            fn(string $sql): int => (int) (is_numeric(
                $n = $this->db->fetchOne($sql, [array_map(Id::binary(...), $people)], [ArrayParameterType::BINARY]),
            )
                ? $n
                : 0),
            [
                'sites' => 'SELECT COUNT(*) FROM enrollment WHERE person_id IN (?)',
                'entries' => 'SELECT COUNT(*) FROM history_entry WHERE person_id IN (?)',
                'notes' => 'SELECT COUNT(*) FROM person_note WHERE person_id IN (?)',
                'labels' => 'SELECT COUNT(*) FROM person_label WHERE person_id IN (?)',
                'messages' => 'SELECT COUNT(*) FROM message WHERE person_id IN (?)',
            ],
        );
        $changeList = null;
        if ($apply) {
            if (null !== $refusal) {
                throw Problem::notAllowed(self::SENTENCES[$refusal]);
            }
            foreach ($people as $one) {
                $this->erase($one);
            }
            $changeList = $this->changeLists->insert('erase', null, self::PLACEHOLDER, 'applied', $caller, [
                'total' => 1,
                'done' => 1,
                'applied' => 1,
            ]);
            $this->history->write(
                History::PLATFORM,
                $caller,
                [['person-erased', ['changeList' => $changeList], $person]]
            );
        }

        return [
            'refusal' => $refusal,
            'sentence' => null === $refusal ? null : self::SENTENCES[$refusal],
            'counts' => $counts,
            'changeList' => $changeList,
        ];
    }

    /** @param non-empty-list<string> $people */
    private function refusal(Row $row, array $people, Caller $caller): ?string
    {
        $now = Instant::toSql($this->clock->instant());
        $ids = array_map(Id::binary(...), $people);
        $here =
            false
            !== $this->db->fetchOne(
                'SELECT 1 FROM enrollment_segment WHERE person_id IN (?) AND until_at > ? AND state IN (?) LIMIT 1',
                [$ids, $now, State::valuesHere()],
                [ArrayParameterType::BINARY, 2 => ArrayParameterType::STRING],
            );
        $administers =
            false
            !== $this->db->fetchOne(
                <<<'SQL'
                    SELECT 1
                    FROM account
                    WHERE person_id IN (?) AND platform_administrator = 1
                    UNION
                    SELECT 1
                    FROM division_administrator
                    WHERE person_id IN (?)
                    SQL,
                [$ids, $ids],
                [ArrayParameterType::BINARY, ArrayParameterType::BINARY],
            );

        return $this->caring
            ->caretaker($caller)
            ->mayNotErase(PersonRow::person($row), $administers, $here, null !== $row->stringOrNull('gone'));
    }

    private function erase(string $person): void
    {
        $id = Id::binary($person);
        $row = new Row(
            $this->db->fetchAssociative(
                'SELECT given_name, family_name, preferred_name, former_name, email, number FROM person
                    WHERE id = ? FOR UPDATE',
                [$id],
            )
            ?: [],
        );
        $letters = array_map(
            static fn(mixed $message): string => Id::text(\is_string($message) ? $message : ''),
            $this->db->fetchFirstColumn('SELECT id FROM message WHERE person_id = ?', [$id]),
        );
        $email = $row->stringOrNull('email');
        if (null !== $email) {
            // What went to their address before the directory knew it was theirs.
            $this->db->executeStatement('DELETE FROM letter WHERE address = ?', [$email]);
            $this->db->executeStatement(
                "UPDATE message SET address = '', subject = '', body = '', reason = NULL, due_at = NULL,
                    state = IF(state IN ('held', 'delayed'), 'withdrawn', state) WHERE address = ?",
                [$email],
            );
            $this->db->executeStatement(
                "UPDATE invitation SET address = '', words = '', unanswered = NULL, remind_at = NULL WHERE address = ?",
                [$email],
            );
        }
        $this->db->executeStatement(
            "DELETE FROM letter WHERE SUBSTRING_INDEX(id, '@', 1) IN (?)",
            [$letters ?: ['']],
            [ArrayParameterType::STRING],
        );
        $this->db->executeStatement(
            <<<'SQL'
                UPDATE message
                SET address = '', subject = '', body = '', reason = NULL, due_at = NULL,
                    state = IF(state IN ('held', 'delayed'), 'withdrawn', state)
                WHERE person_id = ?
                SQL,
            [$id],
        );
        foreach (self::THEIRS as $table) {
            $this->db->executeStatement("DELETE FROM $table WHERE person_id = ?", [$id]);
        }
        $this->db->executeStatement('UPDATE enrollment_override SET note = NULL WHERE person_id = ?', [$id]);
        $this->db->executeStatement('UPDATE waiter SET why = NULL, moved_why = NULL WHERE person_id = ?', [$id]);
        $this->db->executeStatement(
            <<<'SQL'
                UPDATE invitation
                SET address = '', words = '', unanswered = NULL, remind_at = NULL
                WHERE person_id = ? OR answered_by = ?
                SQL,
            [$id, $id],
        );
        // What was typed or pasted, where it became a line about them; and change lists that name them.
        $like = static fn(string $text): string => '%'
            .addcslashes(trim((string) json_encode($text, \JSON_UNESCAPED_UNICODE), '"'), '%_\\')
            .'%';
        foreach (["kind <> 'sites'" => 'NULL', "kind = 'sites'" => "JSON_REMOVE(work, '$.text')"] as $which => $work) {
            $this->db->executeStatement(
                <<<SQL
                    UPDATE change_list
                    SET work = $work
                    WHERE $which AND state IN ('applied', 'dropped') AND (work LIKE ? OR (work LIKE ? AND work LIKE ?))
                    SQL,
                ['%'.$person.'%', $like($row->string('given_name')), $like($row->string('family_name'))],
            );
        }
        $this->drafts($person, $row);
        $this->answers($person, $row);
        $this->db->executeStatement(
            "UPDATE change_request SET request = JSON_REMOVE(request, '$.text', '$.note') WHERE person_id = ?",
            [$id],
        );
        $this->db->executeStatement("UPDATE account_row SET row = '{}' WHERE person_id = ?", [$id]);
        $this->facts->write(
            $person,
            [
                'given' => '',
                'family' => self::PLACEHOLDER,
                'preferred' => null,
                'former' => null,
                'level' => null,
                'number' => null,
                'email' => null,
            ],
            'erased',
        );
        $this->forgetNames(
            Folding::tokens(
                implode(' ', [
                    $row->string('given_name'),
                    $row->string('family_name'),
                    (string) $row->stringOrNull('preferred_name'),
                    (string) $row->stringOrNull('former_name'),
                ]),
            ),
        );
    }

    /**
     * In what others are still working on, names and numbers give way to a placeholder; the rest of it stays theirs.
     */
    private function drafts(string $person, Row $row): void
    {
        $words = self::words($person, $row);
        $found = Row::all(
            $this->db->fetchAllAssociative(
                "SELECT id, work FROM change_list WHERE state IN ('draft', 'applying')
                    AND work IS NOT NULL FOR UPDATE",
            ),
        );
        foreach ($found as $changeList) {
            $work = json_decode($changeList->string('work'), true);
            if (\is_array($work)) {
                $without = $work;
                array_walk_recursive($without, static function (mixed &$value) use ($words): void {
                    $value = \is_string($value) ? str_ireplace($words, self::PLACEHOLDER, $value) : $value;
                });
                $without === $work
                    || $this->db->executeStatement(
                        'UPDATE change_list SET work = ?, version = version + 1 WHERE id = ?',
                        [
                            json_encode((object) $without, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE),
                            Id::binary($changeList->id('id')),
                        ],
                    );
            }
        }
        $this->db->executeStatement('UPDATE change_list SET undo_data = NULL WHERE undo_data LIKE ?', [
            '%'.$person.'%',
        ]);
    }

    /**
     * Answers that are kept for a repeated request are sealed; those that name somebody are answered emptily from now
     * on.
     */
    private function answers(string $person, Row $row): void
    {
        $words = self::words($person, $row);
        $sql = 'SELECT person_id, id, answer FROM idempotency WHERE answer IS NOT NULL';
        foreach ($this->db->iterateAssociative($sql) as $columns) {
            $answer = new Row($columns);
            $plain = (string) $this->sealer->openText($answer->string('answer'), 'idempotency');
            if ($plain !== str_ireplace($words, '', $plain)) {
                $this->db->executeStatement('UPDATE idempotency SET answer = ? WHERE person_id = ? AND id = ?', [
                    $this->sealer->sealText('{}', 'idempotency'),
                    Id::binary($answer->id('person_id')),
                    $answer->string('id'),
                ]);
            }
        }
    }

    /** @return list<string> what names somebody */
    private static function words(string $person, Row $row): array
    {
        $family = $row->string('family_name');
        $given = array_filter([$row->string('given_name'), $row->stringOrNull('preferred_name')]);
        $words = [$person, (string) $row->stringOrNull('number'), (string) $row->stringOrNull('email')];
        foreach ($given as $name) {
            array_push($words, $name.' '.$family, $family.', '.$name, $family.' '.$name);
        }

        return array_values(array_filter($words, static fn(string $word): bool => \strlen($word) > 3));
    }

    /**
     * Names that nobody bears any more are not looked up any more.
     *
     * @param list<string> $names
     */
    private function forgetNames(array $names): void
    {
        foreach ($names as $name) {
            if (false === $this->db->fetchOne('SELECT 1 FROM person_term WHERE term = ? LIMIT 1', [$name])) {
                $this->db->executeStatement('DELETE FROM name_slip WHERE name = ?', [$name]);
            }
        }
    }
}
