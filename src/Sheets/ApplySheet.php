<?php

declare(strict_types=1);

namespace MintDoor\Sheets;

/** A job: applies the next lines of a stored sheet. */
final readonly class ApplySheet
{
    public function __construct(public string $sheet) {}
}
