<?php

declare(strict_types=1);

namespace MintDoor\Demo;

use Doctrine\DBAL\Connection;
use MintDoor\Core\Messages\MessageKind;
use MintDoor\Doors\Repository\DoorKeys;
use MintDoor\Messages\FirstTexts;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;

/**
 * The sentences of the demo's doors, their keys, who waits at them and who was invited through them. Runs once the
 * platform is furnished.
 */
final readonly class DemoDoors
{
    private const DAY = 86_400;

    /** By site and kind of door. `fromDay` and `untilDay` are days from today. */
    private const DOORS = [
        [
            'JAZZ',
            'key',
            [
                'name' => 'Practice-room door',
                'untilDay' => 9,
                'divisions' => ['millrace'],
                'lowest' => 7,
                'highest' => 10,
                'seats' => 24,
                'waiting' => true,
                'stay' => 'term',
                'quietMeetings' => 3,
                'meets' => [2, 4],
            ],
        ],
        [
            'HET-2',
            'key',
            [
                'name' => 'Late joiners',
                'untilDay' => 23,
                'divisions' => ['millrace'],
                'lowest' => 6,
                'highest' => 8,
                'seats' => 6,
                'waiting' => true,
                'place' => 'choice',
                'stay' => 'term',
            ],
        ],
        [
            'NERVES',
            'key',
            [
                'name' => 'Flyer in the hall',
                'untilDay' => 16,
                'divisions' => ['northlight'],
                'lowest' => 1,
                'highest' => 4,
                'waiting' => true,
                'accounts' => true,
                'stay' => 'term',
            ],
        ],
        ['NERVES', 'invitation', ['name' => 'Invitation by e-mail', 'answerDays' => 14, 'remindDays' => 5]],
        [
            'RECITAL',
            'key',
            [
                'name' => 'Open to all',
                'listed' => true,
                'about' => 'Play for each other every second Friday. Come and go as you like.',
            ],
        ],
        [
            'BAROQUE',
            'key',
            [
                'name' => 'By request',
                'listed' => true,
                'approval' => true,
                'divisions' => ['millrace'],
                'waiting' => true,
                'about' => 'Say in a line what you play.',
            ],
        ],
        [
            'CHORAL',
            'preview',
            [
                'name' => 'Just looking for everybody',
                'anyone' => true,
                'shows' => ['leads', 'numbers'],
                'about' => 'We sing on Monday evenings in the great hall. No audition.',
            ],
        ],
    ];

    public function __construct(
        private Connection $db,
        private PlatformBuilder $platform,
        private DoorKeys $keys,
        private FirstTexts $texts,
        private int $now,
    ) {}

    /** @param string $by id of whoever set them up */
    public function furnish(string $by): void
    {
        $dice = new Dice(4821);
        foreach (self::DOORS as $n => [$site, $kind, $terms]) {
            $door = $this->db->fetchOne(
                <<<'SQL'
                    SELECT d.id
                    FROM door d
                    JOIN site s ON s.id = d.site_id
                    WHERE s.code = ? AND d.kind = ?
                    ORDER BY d.id
                    LIMIT 1
                    SQL,
                [$site, $kind],
            );
            $until = isset($terms['untilDay'])
                ? (intdiv($this->now, self::DAY) + $terms['untilDay']) * self::DAY - 3_600
                : null;
            $kept = array_diff_key(
                [...['role' => 'learner', 'place' => 'none', 'stay' => 'site', 'offerHours' => 14], ...$terms],
                ['name' => 1, 'untilDay' => 1],
            );
            // Where they have no say, the lead of the site set it up.
            $keeper = "COALESCE(
                (SELECT MIN(g.person_id) FROM enrollment_segment g WHERE g.site_id = door.site_id AND g.person_id = ?),
                (SELECT MIN(w.person_id) FROM access_grant w WHERE w.site_id = door.site_id AND w.role = 'lead-tutor')
            )";
            $this->db->executeStatement(
                "UPDATE door SET name = ?, terms = ?, until_at = COALESCE(?, until_at), made_at = ?, made_by = $keeper
                    WHERE id = ?",
                [
                    $terms['name'],
                    json_encode($kept, \JSON_THROW_ON_ERROR),
                    null === $until ? null : Instant::toSql($until),
                    Instant::toSql($this->now - 80 * self::DAY + $n),
                    Id::binary($by),
                    $door,
                ],
            );
            if ('key' === $kind && !isset($terms['listed']) && \is_string($door)) {
                $this->keys->fresh(Id::text($door), $dice->below(...));
            }
        }
        $this->waiters();
        $this->invitations($by);
    }

    /** Whoever has an unanswered grant of a key door waits there; one seat of the workshop is kept for the first. */
    private function waiters(): void
    {
        $this->db->executeStatement(
            <<<'SQL'
                INSERT INTO waiter (site_id, door_id, person_id, what, state, waits, why, made_at)
                SELECT w.site_id, w.door_id, w.person_id, IF(s.code = 'JAZZ', 'seat', 'approval'), 'waiting', 1, NULL,
                    w.given_at
                FROM access_grant w
                JOIN door d ON d.id = w.door_id AND d.kind = 'key'
                JOIN site s ON s.id = w.site_id
                WHERE w.accepted_at > '9000-01-01'
                ORDER BY w.given_at, w.id
                SQL,
        );
        foreach (
            [
                "What do you play or sing? Viola da gamba\nFor how long? 1 to 3 years",
                "What do you play or sing? Alto\nFor how long? Less than 1 year",
            ] as $why
        ) {
            $this->db->executeStatement(
                "UPDATE waiter SET why = ? WHERE what = 'approval' AND why IS NULL ORDER BY id LIMIT 1",
                [$why],
            );
        }
        $this->db->executeStatement(
            "UPDATE waiter SET state = 'offered', offered_until = ? WHERE what = 'seat' ORDER BY id LIMIT 1",
            [Instant::toSql($this->now + self::DAY)],
        );
    }

    private function invitations(string $by): void
    {
        $rows = new BulkWriter($this->db);
        $grants = Row::all(
            $this->db->fetchAllAssociative(
                <<<'SQL'
                    SELECT w.site_id, w.door_id, w.person_id, w.given_at, w.accepted_at < '9000-01-01' AS answered,
                        p.email, p.given_name
                    FROM access_grant w
                    JOIN door d ON d.id = w.door_id AND d.kind = 'invitation'
                    JOIN person p ON p.id = w.person_id
                    ORDER BY w.id
                    SQL,
            ),
        );
        foreach (
            [
                ...$grants,
                new Row(['email' => 'h.osterlund@example.org']),
                new Row(['email' => 'bounce.choirmaster@example.org']),
            ] as $n => $row
        ) {
            $answered = $row->bool('answered');
            $first = $grants[0];
            $at = null === $row->stringOrNull('given_at') ? $this->now - 3 * self::DAY : $row->instant('given_at');
            $person = $row->idOrNull('person_id');
            $lapses =
                null === $person
                    ? $at + 14 * self::DAY
                    : intdiv($this->now, self::DAY) * self::DAY + self::DAY + 17 * 3_600;
            $id = $this->platform->id();
            $rows->add('invitation', [
                'id' => BulkWriter::id($id),
                'site_id' => BulkWriter::id($first->id('site_id')),
                'door_id' => BulkWriter::id($first->id('door_id')),
                'person_id' => BulkWriter::id($person),
                'address' => $row->string('email'),
                'words' => '',
                'holds' => false,
                'made_by' => BulkWriter::id($by),
                'made_at' => Instant::toSql($at),
                'lapses_at' => Instant::toSql($lapses),
                'remind_at' => null,
                'sent' => 1,
                'opened_at' => $answered || (0 === $n % 3 && null !== $person) ? Instant::toSql($at + 7_200) : null,
                'answered_at' => $answered ? Instant::toSql($at + 9_000) : null,
                'answered_by' => $answered ? BulkWriter::id($person) : null,
                'withdrawn_at' => null,
                'unanswered' => $answered ? null : 1,
            ]);
            $letter = $this->texts->of(MessageKind::Invitation, 'en')->fill([
                'given' => $row->string('given_name'),
                'by' => 'Mara Lindqvist',
                'site' => 'Stage Nerves',
                'role' => 'learner',
                'until' => '',
                'words' => '',
            ]);
            $bounced = str_starts_with($row->string('email'), 'bounce');
            $rows->add('message', [
                'id' => BulkWriter::id($this->platform->id()),
                'cause' => 'invite:'.$id.':1',
                'kind' => 'invitation',
                'person_id' => BulkWriter::id($person),
                'address' => $row->string('email'),
                'site_id' => BulkWriter::id($first->id('site_id')),
                'subject' => $letter->subject,
                'body' => $letter->text,
                'state' => $bounced ? 'bounced' : 'sent',
                'tries' => 1,
                'reason' => $bounced ? 'There is no such mailbox.' : null,
                'made_by' => BulkWriter::id($by),
                'made_at' => Instant::toSql($at),
                'sent_at' => $bounced ? null : Instant::toSql($at + 125),
                'invitation_id' => BulkWriter::id($id),
            ]);
        }
        $rows->flush();
    }
}
