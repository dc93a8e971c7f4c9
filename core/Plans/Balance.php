<?php

declare(strict_types=1);

namespace MintDoor\Core\Plans;

/** Sections that are to be alike in something people are: a level, a division, a label they have or not. */
final readonly class Balance
{
    /**
     * @param array<string, string> $kinds     what each is, by person; of whom nothing is said, they are of no kind
     * @param int                   $tolerance how many more or fewer of a kind a section may have than its share
     */
    public function __construct(public array $kinds, public int $tolerance) {}
}
