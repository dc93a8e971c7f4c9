<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

/** Whether somebody who registered is to have an account. */
final readonly class RegistrationAnswerRequest
{
    public function __construct(public bool $yes) {}
}
