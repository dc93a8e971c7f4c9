<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\People\PersonShown;

/** One of two who are likely one, with what helps to see which entry is the older and the used one. */
final readonly class OneOfTwo
{
    /**
     * @param int     $sites   in how many they are or were
     * @param bool    $account whether they have one
     * @param ?string $usedAt  instant of their last sign-in
     * @param ?string $known   instant since which they are in the directory
     */
    public function __construct(
        public PersonShown $person,
        public int $sites,
        public bool $account,
        public ?string $usedAt,
        public ?string $known,
    ) {}
}
