<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

/** A job: sends a link to whoever this login or address is, if it is anybody. Whoever asks is not told which. */
final readonly class ForgottenPassword
{
    /** @param string $asked names the request, so that it is answered once */
    public function __construct(public string $login, public string $asked) {}
}
