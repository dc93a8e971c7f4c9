<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use Symfony\Component\Validator\Constraints as Assert;

/** The code with which people register in a division; empty for none. */
final readonly class RegistrationCodeRequest
{
    public function __construct(
        #[\SensitiveParameter]
        #[Assert\Length(max: 120, maxMessage: 'accounts.register-code')]
        public string $code,
    ) {}
}
