<?php

declare(strict_types=1);

namespace MintDoor\Intake;

use Symfony\Component\Validator\Constraints as Assert;

/** Pasted text whose lines are to be read. */
final readonly class PastedWish
{
    public const MOST_LINES = 500;

    public function __construct(
        #[Assert\Length(max: 100_000, maxMessage: 'That is more than fits on a sheet. Paste a part of it, and the rest after.')]
        public string $text,
    ) {
    }
}
