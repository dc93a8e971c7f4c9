<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class FirstPasswordRequest
{
    public function __construct(
        #[\SensitiveParameter]
        #[Assert\Length(max: 200, maxMessage: 'accounts.link-not-complete')]
        public string $token,
        #[\SensitiveParameter]
        #[Assert\Length(max: 1_000, maxMessage: 'shared.choose-password-200-characters')]
        public string $password,
    ) {}
}
