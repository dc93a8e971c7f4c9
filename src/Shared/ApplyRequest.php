<?php

declare(strict_types=1);

namespace MintDoor\Shared;

/** Whether something is done, or only looked at. */
final readonly class ApplyRequest
{
    public function __construct(public bool $apply = false) {}
}
