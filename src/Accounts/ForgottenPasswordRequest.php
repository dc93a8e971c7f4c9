<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class ForgottenPasswordRequest
{
    public function __construct(
        #[Assert\NotBlank(message: 'accounts.type-login-name-e', normalizer: 'trim')]
        #[Assert\Length(max: 190, maxMessage: 'accounts.longer-any-login-name')]
        public string $login,
    ) {}
}
