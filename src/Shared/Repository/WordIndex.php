<?php

declare(strict_types=1);

namespace MintDoor\Shared\Repository;

use Doctrine\DBAL\Connection;
use MintDoor\Shared\Cursor;
use MintDoor\Shared\Id;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;
use MintDoor\Shared\Sql;
use MintDoor\Shared\Statements;
use MintDoor\Shared\Where;

/**
 * What is found by words, in a table with a row for each word of each: `term` is the word, `names` all of them. A list
 * comes in the order of its primary key, so that a page costs what is on it: first what has the word that was typed.
 * In statements the table is `w`. By hand: asked at every key (`bin/bench`: search; `bin/bench scale`).
 */
final readonly class WordIndex
{
    use Statements;

    /** Of what a word finds, no more is counted. */
    public const COUNT_TO = 500;

    /**
     * @param non-empty-list<string> $sorted of its primary key, but the id
     * @param string                 $id     the column of whom or what a row finds
     * @param int                    $common counting a word's rows stops here: beyond, it is just common
     * @param string                 $lead   what stands before further words among all of them: a blank where they
     *                                       begin as typed
     * @param string                 $any    that a row has any of the values there are of what stands before the word
     *                                       in the primary key
     */
    public function __construct(
        private Connection $db,
        public string $table,
        private array $sorted,
        private string $id,
        private int $common,
        private string $lead,
        private string $any = '1',
    ) {}

    /**
     * @param non-empty-list<string> $tokens folded beginnings of words
     *
     * @return non-empty-list<string> the one that finds least first
     */
    public function rarestFirst(array $tokens): array
    {
        if (1 === \count($tokens)) {
            return $tokens;
        }
        $counts = array_map(
            fn(int $n): string => "(
                SELECT COUNT(*)
                FROM (SELECT 1 FROM $this->table WHERE $this->any AND term LIKE ? LIMIT $this->common) w$n
             ) AS n$n",
            array_keys($tokens),
        );
        $row =
            $this->row(
                'SELECT '.implode(', ', $counts),
                array_map(static fn(string $token): string => $token.'%', $tokens),
            )
            ?? new Row([]);
        $order = array_map(static fn(int $n): int => $row->int('n'.$n), array_keys($tokens));
        // Of words that are all common, the longer one is likely the rarer.
        $lengths = array_map(static fn(string $token): int => -\strlen($token), $tokens);
        array_multisort($order, $lengths, $tokens);

        return $tokens;
    }

    /**
     * The words with the one first that finds what a list has: the rarest, or the one that did on the page before.
     *
     * @param non-empty-list<string> $tokens
     *
     * @return non-empty-list<string>
     *
     * @throws Problem of type `BadCursor`
     */
    public function drivenBy(array $tokens, ?Cursor $cursor): array
    {
        if (null === $cursor) {
            return $this->rarestFirst($tokens);
        }
        $first = (string) $cursor->values[0];

        return \in_array($first, $tokens, true)
            ? [$first, ...array_values(array_diff($tokens, [$first]))]
            : throw Cursor::unknown();
    }

    /** @return ?Cursor of a list of what words find */
    public function cursor(?string $cursor, string $list): ?Cursor
    {
        return Cursor::read($cursor, $list.' by words', 'su');
    }

    /** @return array<string, string> */
    public function order(): array
    {
        $columns = array_map(static fn(string $column): string => "w.$column", [...$this->sorted, $this->id]);

        return array_fill_keys($columns, 'ASC');
    }

    /**
     * That something has all words.
     *
     * @param non-empty-list<string> $tokens
     */
    public function narrow(Where $where, array $tokens): void
    {
        foreach ($tokens as $n => $token) {
            0 === $n
                ? $where->and("$this->any AND w.term LIKE :word0", ['word0' => $token.'%'])
                : $where->and("w.names LIKE :word$n", ["word$n" => '%'.$this->lead.$token.'%']);
        }
    }

    /** In a list that is narrowed: what has several words that begin like the first is found by the first of them. */
    public function once(Where $where): Where
    {
        $before = implode(', ', array_map(static fn(string $column): string => "v.$column", $this->sorted));

        return $where->and(
            "NOT EXISTS (
                SELECT 1
                FROM $this->table v
                WHERE v.$this->id = w.$this->id AND v.term LIKE :word0
                    AND ($before) < (".str_replace('v.', 'w.', $before).')
            )',
        );
    }

    /**
     * That rows come after the last of a page. Its place is looked up among what the list has: the word that finds
     * somebody may be a number or login that is not shown, so it is not handed out.
     *
     * @param Where  $listed what the list has
     * @param string $tables of the list
     *
     * @throws Problem of type `BadCursor`
     */
    public function after(
        Where $where,
        Where $listed,
        string $tables,
        ?Cursor $cursor,
    ): Where {
        if (null === $cursor) {
            return $where;
        }
        $id = Id::binary((string) $cursor->values[1]);
        $last = (clone $listed)->and("w.$this->id = :last", ['last' => $id]);
        $sorted = implode(', ', array_map(static fn(string $column): string => "w.$column", $this->sorted));
        $row =
            $this->row("SELECT $sorted FROM $tables WHERE ".$last->sql()." ORDER BY $sorted LIMIT 1", $last->values)
            ?? throw Cursor::unknown();
        $place = [];
        foreach ($this->sorted as $n => $column) {
            $place["c$n"] = $row->string($column);
        }

        return $where->and(Sql::after($this->order()), $place + ['c'.\count($this->sorted) => $id]);
    }

    /**
     * @param non-empty-list<string> $tokens
     * @param string                 $id     of the last of a page
     */
    public function place(string $list, array $tokens, string $id): string
    {
        return Cursor::write($list.' by words', [$tokens[0], $id]);
    }

    protected function connection(): Connection
    {
        return $this->db;
    }
}
