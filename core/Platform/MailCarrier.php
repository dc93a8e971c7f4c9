<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

/** Who carries a platform's messages. */
enum MailCarrier: string
{
    /** As the environment of the program has it. */
    case Unset = '';

    /** Nothing goes outside: messages are read in the platform itself. */
    case Simulated = 'simulated';

    /** A mail server (RFC 5321, with RFC 6409 or RFC 8314). */
    case Server = 'server';
}
