<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Intake;

/** Somebody of the evaluation's directory. */
final readonly class Somebody
{
    public function __construct(
        public string $id,
        public string $kind,
        public string $division,
        public ?int $level,
        public string $given,
        public string $family,
        public ?string $preferred,
        public ?string $former,
        public string $number,
        public string $login,
        public ?string $email,
    ) {}
}
