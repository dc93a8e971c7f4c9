<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class NoteRequest
{
    public function __construct(
        #[Assert\NotBlank(message: 'desk.write-something-first', normalizer: 'trim')]
        #[Assert\Length(max: 2_000, maxMessage: 'desk.shorten-note-2-000')]
        public string $text,
    ) {}
}
