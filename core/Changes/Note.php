<?php

declare(strict_types=1);

namespace MintDoor\Core\Changes;

/** A reason or a caution on a line, as a code and values; the sentence is made elsewhere. */
final readonly class Note
{
    /** @param array<string, string|int|list<string>|null> $values */
    public function __construct(public string $code, public array $values = []) {}
}
