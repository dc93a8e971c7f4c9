<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use MintDoor\Messages\Repository\Letters;
use Symfony\Component\Mailer\Exception\TransportException;
use Symfony\Component\Mailer\SentMessage;
use Symfony\Component\Mailer\Transport\AbstractTransport;
use Symfony\Component\Mime\Email;

/**
 * Stands in for the carriers outside: letters arrive in a table, each once, and some addresses bounce or let one wait
 * on purpose.
 */
final class SimulatedTransport extends AbstractTransport
{
    /** Tries that a slow address turns away. */
    private const SLOW = 2;

    /**
     * @param list<string> $bounce patterns of addresses that take nothing
     * @param list<string> $delay  patterns of addresses that take a letter at the third try
     */
    public function __construct(
        private readonly Letters $letters,
        private readonly array $bounce,
        private readonly array $delay,
    ) {
        parent::__construct();
    }

    public function __toString(): string
    {
        return SimulatedTransportFactory::SCHEME.'://default';
    }

    protected function doSend(SentMessage $message): void
    {
        $email = $message->getOriginalMessage();
        \assert($email instanceof Email);
        $try = (int) $email->getHeaders()->get('X-Try')?->getBodyAsString();
        foreach ($message->getEnvelope()->getRecipients() as $recipient) {
            $address = $recipient->getAddress();
            if (self::fits($address, $this->bounce)) {
                throw new TransportException('There is no such mailbox.', 550);
            }
            if ($try <= self::SLOW && self::fits($address, $this->delay)) {
                throw new TransportException('The mailbox is busy; try again later.', 450);
            }
            $text = $email->getTextBody();
            $html = $email->getHtmlBody();
            $this->letters->arrive(
                $message->getMessageId(),
                $address,
                (string) $email->getSubject(),
                \is_string($text) ? $text : '',
                \is_string($html) ? $html : '',
            );
        }
    }

    /** @param list<string> $patterns */
    private static function fits(string $address, array $patterns): bool
    {
        return []
            !== array_filter($patterns, static fn(string $pattern): bool => fnmatch($pattern, $address, \FNM_CASEFOLD));
    }
}
