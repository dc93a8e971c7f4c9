<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class ForgottenPasswordRequest
{
    public function __construct(
        #[Assert\NotBlank(message: 'Type your login name or e-mail.', normalizer: 'trim')]
        #[Assert\Length(max: 190, maxMessage: 'That is longer than any login name or e-mail.')]
        public string $login,
    ) {}
}
