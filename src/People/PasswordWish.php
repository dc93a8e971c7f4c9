<?php

declare(strict_types=1);

namespace MintDoor\People;

use Symfony\Component\Validator\Constraints as Assert;

/** Another password for oneself. */
final readonly class PasswordWish
{
    public function __construct(
        #[\SensitiveParameter]
        #[Assert\Length(max: 200)]
        public string $present,
        #[\SensitiveParameter]
        #[Assert\Length(min: 10, max: 200, minMessage: 'Choose a password of 10 characters or more.', maxMessage: 'Choose a password of 200 characters or fewer.')]
        public string $password,
    ) {
    }
}
