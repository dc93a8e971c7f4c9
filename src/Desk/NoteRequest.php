<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class NoteRequest
{
    public function __construct(
        #[Assert\NotBlank(message: 'Write something first.', normalizer: 'trim')]
        #[Assert\Length(max: 2_000, maxMessage: 'Shorten the note to 2,000 characters.')]
        public string $text,
    ) {}
}
