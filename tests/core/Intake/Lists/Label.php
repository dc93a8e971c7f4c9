<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Intake\Lists;

/** Whom a line means, settled before it is written. */
final readonly class Label
{
    /** @param string $type person, repeat, ask, careful, out, stranger or nobody, by the rules in the README */
    public function __construct(public string $type, public string $who = '') {}
}
