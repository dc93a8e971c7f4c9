<?php

declare(strict_types=1);

namespace MintDoor\People;

/** Somebody with the labels they bear: an item of the answers of `people` and `directory`. */
final readonly class PersonLabelled
{
    /**
     * @param list<string> $labels those the caller may see
     */
    public function __construct(
        public PersonShown $person,
        public array $labels,
    ) {}
}
