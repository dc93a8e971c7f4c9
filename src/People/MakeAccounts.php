<?php

declare(strict_types=1);

namespace MintDoor\People;

/** A job: makes the next accounts of a sheet. */
final readonly class MakeAccounts
{
    public function __construct(public string $sheet) {}
}
