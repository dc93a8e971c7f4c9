<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use Symfony\Component\Validator\Constraints as Assert;

/** The password of the mail server; empty to keep none. */
final readonly class MailPasswordRequest
{
    public function __construct(
        #[\SensitiveParameter]
        #[Assert\Length(max: 500, maxMessage: 'desk.mail-password-too-long')]
        public string $password,
    ) {}
}
