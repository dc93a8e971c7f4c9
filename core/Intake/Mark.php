<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

/** A piece of a pasted line; what only parts the others has no kind. */
final readonly class Mark
{
    /**
     * @param ?int $piece its place among those of the whole line, as `HandLine` has them; null where it is none
     * @param int  $cell  of the row
     */
    public function __construct(
        public string $text,
        public ?MarkKind $kind,
        public ?int $piece = null,
        public int $cell = 0,
    ) {}
}
