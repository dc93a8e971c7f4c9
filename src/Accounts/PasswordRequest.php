<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use Symfony\Component\Validator\Constraints as Assert;

/** Another password for oneself. */
final readonly class PasswordRequest
{
    public function __construct(
        #[\SensitiveParameter] #[Assert\Length(max: 200)] public string $present,
        #[\SensitiveParameter]
        #[Assert\Length(max: 1_000, maxMessage: 'shared.choose-password-200-characters')]
        public string $password,
    ) {}
}
