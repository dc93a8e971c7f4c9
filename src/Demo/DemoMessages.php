<?php

declare(strict_types=1);

namespace MintDoor\Demo;

use Doctrine\DBAL\Connection;
use MintDoor\Core\Messages\Letter;
use MintDoor\Core\Messages\MessageKind;
use MintDoor\Core\Messages\MessageState;
use MintDoor\Messages\FirstTexts;
use MintDoor\People\PersonRow;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;
use MintDoor\Shared\Sealer;

/**
 * What went through the demo's messages in the last weeks, and what its staff wrote down. Runs once the platform is
 * furnished.
 */
final readonly class DemoMessages
{
    private const DAY = 86_400;

    private const PLATFORM = 'Alder Quay Conservatory';

    public function __construct(
        private Connection $db,
        private PlatformBuilder $platform,
        private Sealer $sealer,
        private FirstTexts $texts,
        private int $now,
    ) {}

    /** @param array<string, string> $known login of a demo sign-in => person id */
    public function furnish(array $known): void
    {
        $rows = new BulkWriter($this->db);
        $messages = [];
        $sites = Row::all(
            $this->db->fetchAllAssociative(
                <<<'SQL'
                    SELECT id, code, title
                    FROM site
                    WHERE title IN ('Harmony & Ear Training II', 'Choral Studio', 'Stage Nerves', 'The Long Baroque')
                    ORDER BY title
                    SQL,
            ),
        );
        foreach ($sites as $place => $site) {
            foreach (
                Row::all(
                    $this->db->fetchAllAssociative(
                        'SELECT '
                            .PersonRow::COLUMNS
                            .', g.state FROM enrollment_segment g JOIN '
                            .PersonRow::TABLES
                            .' ON p.id = g.person_id WHERE g.site_id = ? AND g.from_at <= ? AND g.until_at > ? '
                                .'AND p.email IS NOT NULL AND a.login IS NOT NULL AND p.kind = \'learner\' AND g.state '
                                .'IN (\'current\', \'removed\') ORDER BY p.id LIMIT 9',
                        [Id::binary($site->id('id')), Instant::toSql($this->now), Instant::toSql($this->now)],
                    ),
                ) as $n => $person
            ) {
                $kind =
                    'removed' === $person->string('state')
                        ? MessageKind::Removed
                        : (7 === $n
                            ? MessageKind::RoleChanged
                            : MessageKind::LetIn);
                $state =
                    3 === $n && $place < 2
                        ? MessageState::Bounced
                        : (5 === $n && 0 === $place
                            ? MessageState::Withdrawn
                            : MessageState::Sent);
                $messages[$this->now - (2 + 3 * $place + $n) * self::DAY - 3_600 * $n - 60 * $place] = [
                    $kind,
                    $state,
                    $person,
                    $site,
                    $known['mara.lindqvist'],
                ];
            }
        }
        foreach (
            Row::all(
                $this->db->fetchAllAssociative(
                    'SELECT '.PersonRow::COLUMNS.' FROM '.PersonRow::TABLES.' WHERE p.id IN (?, ?)',
                    [Id::binary($known['elias.nordahl']), Id::binary($known['jun.okafor-reyes'])],
                ),
            ) as $n => $person
        ) {
            $messages[$this->now - (80 + $n) * self::DAY] = [
                MessageKind::Welcome,
                MessageState::Sent,
                $person,
                null,
                $known['ingrid.solheim'],
            ];
        }
        // Ids follow the time.
        ksort($messages);
        foreach ($messages as $at => $message) {
            $this->message($rows, ...[...$message, $at]);
        }
        foreach (
            [
                [
                    'elias.nordahl',
                    'mara.lindqvist',
                    9,
                    'His mother rang: he has the measles and is back on Monday the 30th. Keep his seat in the '
                        .'workshop.',
                ],
                [
                    'elias.nordahl',
                    'jun.okafor-reyes',
                    3,
                    'Agreed with him: he hands in the second harmony paper late, by 4 December.',
                ],
                [
                    'pip.halvorsen',
                    'mara.lindqvist',
                    20,
                    'Signs in with the card in the blue folder; her father has a copy.',
                ],
            ] as [$about, $by, $days, $text]
        ) {
            $rows->add('person_note', [
                'id' => BulkWriter::id($this->platform->id()),
                'person_id' => BulkWriter::id($known[$about]),
                'made_by' => BulkWriter::id($known[$by]),
                'made_at' => Instant::toSql($this->now - $days * self::DAY),
                'text' => $text,
            ]);
        }
        $rows->flush();
    }

    private function message(
        BulkWriter $rows,
        MessageKind $kind,
        MessageState $state,
        Row $person,
        ?Row $site,
        string $by,
        int $at,
    ): void {
        $letter = $this->texts->of($kind, 'en')->fill([
            'name' => PersonRow::name($person),
            'given' => $person->stringOrNull('preferred_name') ?? $person->string('given_name'),
            'login' => $person->string('login'),
            'platform' => self::PLATFORM,
            'division' => $person->string('person_division_name'),
            'site' => $site?->string('title') ?? '',
            'role' => MessageKind::RoleChanged === $kind ? 'class assistant' : 'learner',
            'until' => '',
            'by' => MessageKind::Welcome === $kind ? 'Ingrid Solheim' : 'Mara Lindqvist',
            'words' => '',
        ]);
        $id = $this->platform->id();
        $sent = MessageState::Sent === $state;
        $rows->add('message', [
            'id' => BulkWriter::id($id),
            'cause' => 'demo:'.$id,
            'kind' => $kind->value,
            'person_id' => BulkWriter::id($person->id('person_id')),
            'address' => $person->string('email'),
            'site_id' => BulkWriter::id($site?->id('id')),
            'subject' => $letter->subject,
            'body' => $letter->text,
            'state' => $state->value,
            'tries' => MessageState::Withdrawn === $state ? 0 : 1,
            'reason' => MessageState::Bounced === $state ? 'There is no such mailbox.' : null,
            'made_by' => BulkWriter::id($by),
            'made_at' => Instant::toSql($at),
            'sent_at' => $sent ? Instant::toSql($at + 125) : null,
        ]);
        if ($sent && !$kind->linkIsSecret()) {
            $link = 'http://127.0.0.1:8080/sites/'.($site?->id('id') ?? '').'/enter';
            $rows->add('letter', [
                'id' => $id.'@example.org',
                'address' => $person->string('email'),
                'arrived_at' => Instant::toSql($at + 125),
                'subject' => $letter->subject,
                'text' => $this->sealer->sealText($letter->asText($link), 'letter'),
                'html' => $this->sealer->sealText(
                    (new Letter($letter->subject, $letter->text))->asHtml($link),
                    'letter',
                ),
            ]);
        }
    }
}
