<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

/** Somebody a line may mean, and why. */
final readonly class Candidate
{
    public function __construct(
        public Known $known,
        public Evidence $evidence,
    ) {
    }
}
