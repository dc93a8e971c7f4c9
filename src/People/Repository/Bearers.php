<?php

declare(strict_types=1);

namespace MintDoor\People\Repository;

use Doctrine\DBAL\Connection;
use MintDoor\Shared\Repository\WordIndex;

/** Who is found by a word. */
final readonly class Bearers
{
    /** Counting who bears a word stops here: beyond, it is just common. */
    private const COMMON = 250;

    /** Letters from which on a word is taken for rare without counting, at every key (`bin/bench`: search). */
    private const LONG = 6;

    public WordIndex $index;

    public function __construct(Connection $db)
    {
        $this->index = new WordIndex($db, 'person_term', ['term', 'sort_name'], 'person_id', self::COMMON, ' ');
    }

    /**
     * @param non-empty-list<string> $tokens folded beginnings of words
     *
     * @return non-empty-list<string>
     */
    public function rarestFirst(array $tokens): array
    {
        usort($tokens, static fn(string $a, string $b): int => \strlen($b) <=> \strlen($a));

        return \strlen($tokens[0]) >= self::LONG ? $tokens : $this->index->rarestFirst($tokens);
    }
}
