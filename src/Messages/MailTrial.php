<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use MintDoor\Core\Messages\Letter;
use MintDoor\Core\Platform\MailServer;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Shared\Ids;
use MintDoor\Shared\Said;
use MintDoor\Shared\Speech;
use Symfony\Component\Mailer\Exception\TransportExceptionInterface;
use Symfony\Component\Mime\Address;
use Symfony\Component\Mime\Email;
use Symfony\Component\Mime\Exception\ExceptionInterface as MimeException;

/** Sends one message to somebody who waits for it, to see whether messages arrive. */
final readonly class MailTrial
{
    private const LONGEST_REPLY = 200;

    public function __construct(
        private Carrier $carrier,
        private PlatformSettings $settings,
        private Speech $speech,
        private Ids $ids,
    ) {}

    public function send(MailServer $mail, #[\SensitiveParameter] string $password, string $to): MailTrialAnswer
    {
        $name = $this->settings->name();
        $letter = new Letter(
            $this->speech->say(Said::with('messages.trial-subject', name: $name)),
            $this->speech->say(Said::with('messages.trial-text', name: $name)),
        );
        $from = $mail->from ?: $this->carrier->from();
        try {
            $email = (new Email())
                ->from(new Address($from, $name))
                ->to($to)
                ->subject($letter->subject)
                ->text($letter->asText(''))
                ->html($letter->asHtml(''));
            $host = explode('@', $from)[1] ?? 'mint-door.invalid';
            $email->getHeaders()
                ->addIdHeader('Message-ID', $this->ids->next().'@'.$host)
                ->addTextHeader('Auto-Submitted', 'auto-generated');
            $this->carrier->of($mail, $password)->send($email);
        } catch (TransportExceptionInterface|MimeException $thrown) {
            return new MailTrialAnswer(false, self::reply($thrown->getMessage()));
        }

        return new MailTrialAnswer(true, '', $this->carrier->isInside($mail));
    }

    /**
     * What the server answered, where it spoke as a mail server does (RFC 5321, 4.2: three digits and words). What
     * another kind of server says is not shown: nobody looks into the network this way.
     */
    private static function reply(string $message): string
    {
        $words = mb_scrub($message);
        if (1 === preg_match('/with message "([45]\d\d[ -].*?)"/su', $words, $found)) {
            return mb_substr(trim((string) preg_replace('/\s+/u', ' ', $found[1])), 0, self::LONGEST_REPLY);
        }

        return '';
    }
}
