<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class FirstPasswordRequest
{
    public function __construct(
        #[\SensitiveParameter]
        #[Assert\Length(max: 200, maxMessage: 'This link is not complete.')]
        public string $token,
        #[\SensitiveParameter]
        #[Assert\Length(max: 1_000, maxMessage: 'Choose a password of 200 characters or fewer.')]
        public string $password,
    ) {}
}
