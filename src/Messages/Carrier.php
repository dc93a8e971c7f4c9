<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use MintDoor\Core\Platform\MailCarrier;
use MintDoor\Core\Platform\MailSecurity;
use MintDoor\Core\Platform\MailServer;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Platform\Repository\MailSecrets;
use MintDoor\Shared\InsideMail;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Mailer\Transport\Dsn;
use Symfony\Component\Mailer\Transport\Smtp\EsmtpTransport;
use Symfony\Component\Mailer\Transport\Smtp\Stream\SocketStream;
use Symfony\Component\Mailer\Transport\TransportInterface;

/** What carries messages: as the settings of the platform have it, or where they leave it open, its environment. */
final readonly class Carrier implements InsideMail
{
    /** Seconds that a server may take for each of its answers. */
    private const PATIENCE = 15.0;

    public function __construct(
        private PlatformSettings $settings,
        private MailSecrets $secrets,
        private TransportInterface $environment,
        private SimulatedTransportFactory $simulated,
        #[Autowire('%env(MAILER_DSN)%')] private string $dsn,
        #[Autowire('%env(MAIL_FROM)%')] private string $from,
    ) {}

    public function staysInside(): bool
    {
        return $this->isInside($this->settings->asPut()->mail);
    }

    /** Whether messages would stay in the platform by such settings. */
    public function isInside(MailServer $mail): bool
    {
        return match ($mail->carrier) {
            MailCarrier::Unset => str_starts_with($this->dsn, SimulatedTransportFactory::SCHEME.'://'),
            MailCarrier::Simulated => true,
            MailCarrier::Server => false,
        };
    }

    /** Whether somebody decided who carries messages. */
    public function isChosen(): bool
    {
        return MailCarrier::Unset !== $this->settings->asPut()->mail->carrier || !$this->staysInside();
    }

    /** Address that messages come from. */
    public function from(): string
    {
        return $this->settings->asPut()->mail->from ?: $this->from;
    }

    public function transport(): TransportInterface
    {
        return $this->of($this->settings->asPut()->mail, $this->secrets->password());
    }

    /** What would carry messages by such settings. */
    public function of(MailServer $mail, #[\SensitiveParameter] string $password): TransportInterface
    {
        return match ($mail->carrier) {
            MailCarrier::Unset => $this->environment,
            MailCarrier::Simulated => $this->simulated->create(new Dsn(SimulatedTransportFactory::SCHEME, 'default')),
            MailCarrier::Server => self::to($mail, $password),
        };
    }

    /** A connection that is opened when something is sent. */
    private static function to(MailServer $mail, #[\SensitiveParameter] string $password): EsmtpTransport
    {
        $transport = new EsmtpTransport($mail->host, $mail->port, MailSecurity::Tls === $mail->security);
        $transport->setAutoTls(MailSecurity::StartTls === $mail->security);
        $transport->setRequireTls(MailSecurity::None !== $mail->security);
        $stream = $transport->getStream();
        if ($stream instanceof SocketStream) {
            $stream->setTimeout(self::PATIENCE);
        }
        if ('' !== $mail->user) {
            $transport->setUsername($mail->user);
            $transport->setPassword($password);
        }

        return $transport;
    }
}
