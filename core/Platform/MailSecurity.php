<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

/** How the connection to a mail server is kept from being read. */
enum MailSecurity: string
{
    /** Encrypted from the first byte (RFC 8314), mostly at port 465. */
    case Tls = 'tls';

    /** Encrypted before anything is said (RFC 3207), mostly at port 587; nothing is sent where the server cannot. */
    case StartTls = 'starttls';

    /** Not at all: only to a server on the same machine. */
    case None = 'none';
}
