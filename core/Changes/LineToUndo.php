<?php

declare(strict_types=1);

namespace MintDoor\Core\Changes;

/** An applied line that is to be taken back. */
final readonly class LineToUndo
{
    /**
     * @param string       $person  id
     * @param list<Effect> $effects as they were applied
     */
    public function __construct(public string $person, public array $effects) {}
}
