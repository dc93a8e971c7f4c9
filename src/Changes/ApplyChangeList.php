<?php

declare(strict_types=1);

namespace MintDoor\Changes;

/** A job: applies the next lines of a stored change list. */
final readonly class ApplyChangeList
{
    public function __construct(public string $changeList) {}
}
