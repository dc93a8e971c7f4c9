<?php

declare(strict_types=1);

namespace MintDoor\Items;

/** A sentence that says who sees something, and does not make sense. */
final class WrongSentence extends \RuntimeException
{
    /** @param 'too-deep'|'nobody-named'|'no-parts'|'no-day'|'before-start' $problem */
    public function __construct(public readonly string $problem)
    {
        parent::__construct($problem);
    }
}
