<?php

declare(strict_types=1);

namespace MintDoor\People;

/** That names, level, number or address of somebody are others now. Told inside the transaction that changes them. */
final readonly class FactsChanged
{
    /**
     * @param string  $person id
     * @param FoundBy $found how lists find, sort and count them
     * @param bool    $moved whether they are reached at another address than before
     */
    public function __construct(
        public string $person,
        public FoundBy $found,
        public bool $moved,
    ) {}
}
