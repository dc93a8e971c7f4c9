<?php

declare(strict_types=1);

namespace MintDoor\Messages;

/** Schema `MailTrial`: what came of a message that was sent to try the mail. */
final readonly class MailTrialAnswer
{
    /**
     * @param string $reply  of the server, when it would not; empty where it could not be reached, or is no mail server
     * @param bool   $inside whether the message stayed in the platform
     */
    public function __construct(public bool $sent, public string $reply = '', public bool $inside = false) {}
}
