<?php

declare(strict_types=1);

namespace MintDoor\Groups;

/** Schema `GivenUp`: what must be given up so that all else that must be kept can be. */
final readonly class GivenUp
{
    /**
     * @param int          $wish   number of the wish, from 0
     * @param list<string> $people ids, where it is only about two of those it names
     */
    public function __construct(public int $wish, public array $people) {}
}
