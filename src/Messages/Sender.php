<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use Doctrine\DBAL\Connection;
use MintDoor\Core\Messages\Delivery;
use MintDoor\Core\Messages\Letter;
use MintDoor\Core\Messages\MessageKind;
use MintDoor\Core\Messages\MessageState;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Row;
use MintDoor\Shared\SimulatedMail;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Mailer\Exception\TransportExceptionInterface;
use Symfony\Component\Mailer\Transport\TransportInterface;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;
use Symfony\Component\Mime\Address;
use Symfony\Component\Mime\Email;
use Symfony\Component\Mime\Exception\ExceptionInterface as MimeException;

/**
 * Delivers due messages. Those in hand are locked until it is written down what became of them, so that several workers
 * never take the same. Into the platform's own messages letters and what is noted of them are one transaction: a worker
 * that is killed leaves both or neither. A server outside cannot be part of a transaction: there one message is in hand
 * at a time, and one that was taken just before a crash goes again under the same `Message-ID`.
 */
final readonly class Sender
{
    private const AT_A_TIME = 100;

    /** Seconds after which a worker hands on to another; below the time after which a job is taken again. */
    private const LONGEST = 8.0;

    /** Links hold for so many seconds. */
    public const LINK_HOLDS = ['welcome' => 14 * 86_400, 'password' => 3_600];

    public function __construct(
        private Connection $db,
        private TransportInterface $transport,
        private Messages $room,
        private PlatformClock $clock,
        private Addresses $addresses,
        #[Autowire('%env(MAILER_DSN)%')] private string $dsn,
        #[Autowire('%env(MAIL_FROM)%')] private string $from,
        #[Autowire('%env(MINT_DOOR_NAME)%')] private string $platform,
    ) {}

    #[AsMessageHandler]
    public function __invoke(SendDue $job): void
    {
        $end = microtime(true) + self::LONGEST;
        $most = SimulatedMail::inUse($this->dsn) ? self::AT_A_TIME : 1;
        do {
            $taken = $this->some($most);
        } while ($taken > 0 && microtime(true) < $end);
        if ($taken > 0) {
            $this->room->wake(0);
        }
    }

    private function some(int $most): int
    {
        return $this->db->transactional(function () use ($most): int {
            $rows = Row::all(
                $this->db->fetchAllAssociative(
                    'SELECT id, kind, person_id, invitation_id, site_id, address, subject, body, tries FROM message '
                        .'WHERE due_at <= UTC_TIMESTAMP(3) ORDER BY due_at, id LIMIT '
                        .$most
                        .' FOR UPDATE SKIP LOCKED',
                ),
            );
            $tokens = new BulkWriter($this->db);
            $arrived = $failed = [];
            foreach ($rows as $row) {
                try {
                    $this->transport->send($this->email($row, $tokens));
                    $arrived[] = $row->id('id');
                } catch (MimeException $thrown) {
                    // What no server could take is not tried again, and keeps nobody else's waiting.
                    $failed[] = [$row, 550, mb_substr(mb_scrub($thrown->getMessage()), 0, 200)];
                } catch (TransportExceptionInterface $thrown) {
                    $failed[] = [$row, (int) $thrown->getCode(), mb_substr(mb_scrub($thrown->getMessage()), 0, 200)];
                }
            }
            $tokens->flush();
            $this->note($arrived, $failed);

            return \count($rows);
        });
    }

    private function email(Row $row, BulkWriter $tokens): Email
    {
        $kind = MessageKind::from($row->string('kind'));
        $token = match (true) {
            $kind->setsPassword() => $this->token($kind, $row->id('person_id'), $tokens),
            $kind->linkIsSecret() => $this->answering($row->id('invitation_id'), $tokens),
            default => '',
        };
        $link = $this->addresses->of($kind, $token, (string) $row->idOrNull('site_id'));
        $letter = new Letter($row->string('subject'), $row->string('body'));
        $email = (new Email())
            ->from(new Address($this->from, $this->platform))
            ->to($row->string('address'))
            ->subject($letter->subject)
            ->text($letter->asText($link))
            ->html($letter->asHtml($link));
        $email
            ->getHeaders()
            ->addIdHeader('Message-ID', $row->id('id').'@'.(explode('@', $this->from)[1] ?? 'mint-door.invalid'))
            ->addTextHeader('Auto-Submitted', 'auto-generated')
            ->addTextHeader('X-Try', (string) ($row->int('tries') + 1));

        return $email;
    }

    /** A token that sets a password, made now: only its hash is kept, and it is in the letter alone. */
    private function token(MessageKind $kind, string $person, BulkWriter $tokens): string
    {
        $token = self::fresh();
        $tokens->add('first_password', [
            'token_hash' => hash('sha256', $token, true),
            'person_id' => BulkWriter::id($person),
            'expires_at' => Instant::toSql($this->clock->instant() + (self::LINK_HOLDS[$kind->value] ?? 0)),
        ]);

        return $token;
    }

    /** A token that answers an invitation; the others of it hold as well, until one of them is used. */
    private function answering(string $invitation, BulkWriter $tokens): string
    {
        $token = self::fresh();
        $tokens->add('invitation_link', [
            'token_hash' => hash('sha256', $token, true),
            'invitation_id' => BulkWriter::id($invitation),
        ]);

        return $token;
    }

    private static function fresh(): string
    {
        return rtrim(strtr(base64_encode(random_bytes(32)), '+/', '-_'), '=');
    }

    /**
     * @param list<string>                    $arrived ids
     * @param list<array{Row, int, string}> $failed  with the server's reply code and words
     */
    private function note(array $arrived, array $failed): void
    {
        if ([] !== $arrived) {
            $this->db->executeStatement(
                \sprintf(
                    <<<'SQL'
                        UPDATE message
                        SET state = '%s', tries = tries + 1, reason = NULL, due_at = NULL, sent_at = ?
                        WHERE id IN (%s)
                        SQL,
                    Delivery::arrived()->state->value,
                    implode(
                        ', ',
                        array_map(static fn(string $id): string => (string) BulkWriter::id($id)?->sql, $arrived),
                    ),
                ),
                [Instant::toSql($this->clock->instant())],
            );
        }
        $waits = [];
        foreach ($failed as [$row, $code, $words]) {
            $delivery = Delivery::failed($code, $row->int('tries') + 1);
            $waits[$delivery->again] = MessageState::Delayed === $delivery->state;
            $this->db->executeStatement(
                'UPDATE message SET state = ?, tries = tries + 1, reason = ?, due_at = '
                    .(MessageState::Delayed === $delivery->state
                        ? 'UTC_TIMESTAMP(3) + INTERVAL '.$delivery->again.' SECOND'
                        : 'NULL')
                    .' WHERE id = ?',
                [$delivery->state->value, $words, Id::binary($row->id('id'))],
            );
        }
        foreach (array_keys(array_filter($waits)) as $seconds) {
            $this->room->wake($seconds);
        }
    }
}
