<?php

declare(strict_types=1);

namespace MintDoor\People;

/** That names, number or address of somebody are others now. Told inside the transaction that changes them. */
final readonly class FactsChanged
{
    /**
     * @param string $person   id
     * @param string $sortName how lists sort them
     * @param string $terms    the words they are found by, each led by a blank
     * @param bool   $moved    whether they are reached at another address than before
     */
    public function __construct(
        public string $person,
        public string $sortName,
        public string $terms,
        public bool $moved,
    ) {}
}
