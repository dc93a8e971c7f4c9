<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use MintDoor\Core\Messages\Delivery;
use MintDoor\Core\Messages\Letter;
use MintDoor\Core\Messages\MessageKind;
use MintDoor\Core\Messages\MessageState;
use MintDoor\Core\Platform\Letterhead;
use MintDoor\Messages\Repository\StoredMessages;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Row;
use Symfony\Component\DependencyInjection\Attribute\AutowireIterator;
use Symfony\Component\Mailer\Exception\TransportExceptionInterface;
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

    /** @param iterable<KeepsSecretLinks> $keepers */
    public function __construct(
        private StoredMessages $messages,
        #[AutowireIterator(KeepsSecretLinks::class)] private iterable $keepers,
        private Carrier $carrier,
        private Messages $room,
        private PlatformClock $clock,
        private Addresses $addresses,
        private PlatformSettings $settings,
    ) {}

    #[AsMessageHandler]
    public function __invoke(SendDue $job): void
    {
        $end = microtime(true) + self::LONGEST;
        $most = $this->carrier->staysInside() ? self::AT_A_TIME : 1;
        do {
            $taken = $this->some($most);
        } while ($taken > 0 && microtime(true) < $end);
        if ($taken > 0) {
            $this->room->wake(0);
        }
    }

    private function some(int $most): int
    {
        $many = $this->messages->atOnce(function () use ($most): int {
            $rows = $this->messages->due($most);
            $transport = $this->carrier->transport();
            $links = $arrived = [];
            foreach ($rows as $row) {
                $letterhead = $this->settings->read()->letterheadOf($row->stringOrNull('division'));
                if ($this->waits($row, $letterhead)) {
                    continue;
                }
                try {
                    $transport->send($this->email($row, $letterhead, $links));
                    $arrived[] = $row->id('id');
                } catch (MimeException $thrown) {
                    // What no server could take is not tried again, and keeps nobody else's waiting.
                    $this->failed($row, 550, $thrown->getMessage());
                } catch (TransportExceptionInterface $thrown) {
                    $this->failed($row, (int) $thrown->getCode(), $thrown->getMessage());
                }
            }
            $this->keep($links);
            if ([] !== $arrived) {
                $this->messages->arrived($arrived, $this->clock->instant());
            }

            return \count($rows);
        });

        return \is_int($many) ? $many : 0;
    }

    /** Whether it is put off to the end of the quiet hours. What somebody waits for at the screen never is. */
    private function waits(Row $row, Letterhead $letterhead): bool
    {
        $awaited = [MessageKind::Password, MessageKind::Registration];
        if (\in_array(MessageKind::from($row->string('kind')), $awaited, true)) {
            return false;
        }
        $division = $this->settings->read()->divisions->find($row->stringOrNull('division') ?? '');
        $zone = new \DateTimeZone($division->timeZone ?? 'UTC');
        $wait = $letterhead->waits($this->clock->instant(), $zone);
        if ($wait > 0) {
            $this->messages->wait($row->id('id'), $wait);
            $this->room->wake($wait);
        }

        return $wait > 0;
    }

    /** @param list<SecretLink> $links those that were made are added */
    private function email(Row $row, Letterhead $letterhead, array &$links): Email
    {
        $kind = MessageKind::from($row->string('kind'));
        $token = '';
        if ($kind->setsPassword() || $kind->linkIsSecret()) {
            $token = self::fresh();
            $links[] = new SecretLink(
                hash('sha256', $token, true),
                $kind,
                $row->idOrNull('person_id'),
                $row->idOrNull('invitation_id'),
                $row->string('cause'),
            );
        }
        $link = $this->addresses->of($kind, $token, (string) $row->idOrNull('site_id'));
        $letter = new Letter($row->string('subject'), $row->string('body'), $row->string('language'));
        $from = $this->carrier->from();
        $email = (new Email())
            ->from(new Address($from, $letterhead->sender ?: $this->settings->name()))
            ->to($row->string('address'))
            ->subject($letter->subject)
            ->text($letter->asText($link))
            ->html($letter->asHtml($link));
        if ('' !== $letterhead->replyTo) {
            $email->replyTo($letterhead->replyTo);
        }
        $email
            ->getHeaders()
            ->addIdHeader('Message-ID', $row->id('id').'@'.(explode('@', $from)[1] ?? 'mint-door.invalid'))
            ->addTextHeader('Auto-Submitted', 'auto-generated')
            ->addTextHeader('X-Try', (string) ($row->int('tries') + 1));

        return $email;
    }

    /** @param list<SecretLink> $links only their hashes are kept */
    private function keep(array $links): void
    {
        foreach ($this->keepers as $keeper) {
            $own = array_filter($links, static fn(SecretLink $link): bool => $keeper->opens($link->kind));
            if ([] !== $own) {
                $keeper->keep(array_values($own), $this->clock->instant());
            }
        }
    }

    /** @param int $code of the server's reply, or 0 */
    private function failed(Row $row, int $code, string $words): void
    {
        $delivery = Delivery::failed($code, $row->int('tries') + 1);
        $this->messages->failed($row->id('id'), $delivery, mb_substr(mb_scrub($words), 0, 200));
        if (MessageState::Delayed === $delivery->state) {
            $this->room->wake($delivery->again);
        }
    }

    private static function fresh(): string
    {
        return rtrim(strtr(base64_encode(random_bytes(32)), '+/', '-_'), '=');
    }
}
