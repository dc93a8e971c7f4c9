<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

/** Schema `Duplicates`: pairs that are likely one person, the best evidence first. */
final readonly class DuplicatesAnswer
{
    /**
     * @param int                 $total how many there are
     * @param list<LikelyOne> $items the first of them
     */
    public function __construct(public int $total, public array $items) {}
}
