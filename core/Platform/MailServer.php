<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

/** How messages leave the platform. The password of the server is no setting: it is kept apart, sealed. */
final readonly class MailServer
{
    /**
     * @param string $host name or address of the server
     * @param string $user that signs in there; empty for a server that asks for nobody
     * @param string $from address that messages come from; empty for that of the environment
     */
    public function __construct(
        public MailCarrier $carrier = MailCarrier::Unset,
        public string $host = '',
        public int $port = 587,
        public MailSecurity $security = MailSecurity::StartTls,
        public string $user = '',
        public string $from = '',
    ) {}
}
