<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

/** A piece of a pasted line; what only parts the others has no kind. */
final readonly class Mark
{
    public function __construct(public string $text, public ?MarkKind $kind) {}
}
