<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use Symfony\Component\Validator\Constraints as Assert;

/** A message that is sent to try how messages are carried, by settings that need not hold yet. */
final readonly class MailTestRequest
{
    /**
     * @param array<string, mixed> $mail     schema `MailSettings`
     * @param ?string              $password of the server; null for the one that is kept
     */
    public function __construct(
        public array $mail,
        #[Assert\Email(message: 'desk.mail-test-address')]
        #[Assert\NotBlank(message: 'desk.mail-test-address')]
        #[Assert\Length(max: 190, maxMessage: 'desk.mail-test-address')]
        public string $to,
        #[\SensitiveParameter]
        #[Assert\Length(max: 500, maxMessage: 'desk.mail-password-too-long')]
        public ?string $password = null,
    ) {}
}
