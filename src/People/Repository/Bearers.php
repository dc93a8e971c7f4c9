<?php

declare(strict_types=1);

namespace MintDoor\People\Repository;

use Doctrine\DBAL\Connection;
use MintDoor\Shared\RarestFirst;
use MintDoor\Shared\WordIndex;

/** Who is found by a word. Counted at every key, and no further than it takes (`bin/bench`: search). */
final readonly class Bearers
{
    private const COMMON = 250;

    /** Digits from which on a number is one person's. */
    private const NUMBER = 6;

    public WordIndex $index;

    public function __construct(Connection $db)
    {
        $this->index = new WordIndex($db, 'person_term', ['term', 'sort_name'], 'person_id', self::COMMON, ' ');
    }

    /** @param non-empty-list<string> $tokens folded beginnings of words */
    public function rarestFirst(array $tokens): RarestFirst
    {
        return 1 === \count($tokens) && ctype_digit($tokens[0]) && \strlen($tokens[0]) >= self::NUMBER
            ? new RarestFirst($tokens, false)
            : $this->index->rarestFirst($tokens);
    }
}
