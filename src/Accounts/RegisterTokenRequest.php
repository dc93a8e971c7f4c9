<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use Symfony\Component\Validator\Constraints as Assert;

/** The link of somebody who registers, and the password they choose where nobody has to say yes. */
final readonly class RegisterTokenRequest
{
    public function __construct(
        #[\SensitiveParameter]
        #[Assert\Length(max: 200, maxMessage: 'accounts.link-not-complete')]
        public string $token,
        #[\SensitiveParameter]
        #[Assert\Length(max: 1_000, maxMessage: 'shared.choose-password-200-characters')]
        public string $password = '',
    ) {}
}
