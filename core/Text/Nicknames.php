<?php

declare(strict_types=1);

namespace MintDoor\Core\Text;

/**
 * Which given names people shorten, and to what. A platform edits the table; it is compared folded, either way round.
 */
final readonly class Nicknames
{
    /** Rows of a table, and names in a row. */
    public const MOST_ROWS = 500;
    public const MOST_NAMES = 20;
    public const LONGEST_NAME = 40;

    public const FIRST_ROWS = [
        ['Alexander', 'Alex', 'Sasha', 'Sandro'],
        ['Alexandra', 'Alex', 'Sasha', 'Sandra'],
        ['Amina', 'Mina'],
        ['Andreas', 'Andi'],
        ['Andrew', 'Andy', 'Drew'],
        ['Anna', 'Ania', 'Anya', 'Anni'],
        ['Antonio', 'Toni', 'Tonio'],
        ['Aurélie', 'Lili'],
        ['Bartek', 'Bart'],
        ['Beatriz', 'Bea', 'Bia'],
        ['Beatrice', 'Bea'],
        ['Benjamin', 'Ben', 'Benno'],
        ['Caroline', 'Caro'],
        ['Catherine', 'Cathy', 'Kate', 'Kit'],
        ['Charles', 'Charlie', 'Chuck'],
        ['Christopher', 'Chris', 'Kit'],
        ['Christina', 'Chris', 'Tina'],
        ['Daniel', 'Dan', 'Danny', 'Dani'],
        ['David', 'Dave'],
        ['Dmitri', 'Dima', 'Mitya'],
        ['Edith', 'Edie'],
        ['Edward', 'Ed', 'Eddie', 'Ted'],
        ['Elisabeth', 'Lisa', 'Betty', 'Elsa', 'Lise'],
        ['Élodie', 'Lodie'],
        ['Emma', 'Em'],
        ['Francisca', 'Paca', 'Fran'],
        ['Francisco', 'Paco', 'Fran'],
        ['Frederik', 'Fred', 'Fritz', 'Freddy'],
        ['Gabriel', 'Gabe', 'Gabi'],
        ['Gregory', 'Greg'],
        ['Günther', 'Günni'],
        ['Helena', 'Lena', 'Nelly'],
        ['Henrik', 'Rik', 'Henk'],
        ['Isabel', 'Isa', 'Bella'],
        ['Jakob', 'Jack', 'Kuba'],
        ['James', 'Jim', 'Jamie'],
        ['Jelena', 'Lena'],
        ['Jiří', 'Jirka'],
        ['Johannes', 'Hannes', 'Jo', 'Hans'],
        ['John', 'Jack', 'Johnny'],
        ['Jonathan', 'Jon', 'Jonny'],
        ['José', 'Pepe'],
        ['Joseph', 'Joe', 'Sepp'],
        ['Judith', 'Judy'],
        ['Kasimir', 'Kazik'],
        ['Katarina', 'Kata', 'Kati', 'Rina'],
        ['Katja', 'Kati'],
        ['Leonard', 'Leo', 'Len'],
        ['Linnea', 'Nea'],
        ['Lourdes', 'Lulu'],
        ['Ludwig', 'Lutz'],
        ['Magdalena', 'Lena', 'Magda'],
        ['Małgorzata', 'Gosia'],
        ['Margaret', 'Meg', 'Maggie', 'Peggy'],
        ['Maria', 'Mia', 'Mari'],
        ['Matthew', 'Matt'],
        ['Mikhail', 'Misha'],
        ['Michael', 'Mike', 'Micha', 'Mick'],
        ['Nadia', 'Nadja'],
        ['Natalia', 'Natasha', 'Nata'],
        ['Nicholas', 'Nick', 'Nico', 'Klaus'],
        ['Niels', 'Nils'],
        ['Orsolya', 'Orsi'],
        ['Patricia', 'Pat', 'Patsy', 'Trish'],
        ['Paula', 'Pauli'],
        ['Peter', 'Pete'],
        ['Péter', 'Peti'],
        ['Philip', 'Phil', 'Pip'],
        ['Rafał', 'Rafi'],
        ['Rebecca', 'Becky'],
        ['Richard', 'Rick', 'Dick', 'Ricky'],
        ['Robert', 'Bob', 'Rob', 'Bobby'],
        ['Roland', 'Rolly'],
        ['Samuel', 'Sam'],
        ['Samantha', 'Sam'],
        ['Sebastian', 'Basti', 'Seb'],
        ['Sofia', 'Sofi'],
        ['Stephen', 'Steve'],
        ['Susanne', 'Susi', 'Sanne'],
        ['Theodor', 'Theo', 'Teddy'],
        ['Thomas', 'Tom', 'Tommy'],
        ['Tomáš', 'Tom', 'Tomek'],
        ['Ulrike', 'Uli', 'Rike'],
        ['Viktor', 'Vic'],
        ['Viktoria', 'Vicky'],
        ['Wilhelm', 'Willi'],
        ['Willem', 'Wim'],
        ['William', 'Bill', 'Will', 'Liam'],
        ['Xenia', 'Xeni'],
        ['Yusuf', 'Yusi'],
        ['Zofia', 'Zosia'],
        ['Zsófia', 'Zsófi'],
    ];

    /** @var array<string, list<string>> folded word => what it may stand for besides itself */
    private array $same;

    /** @param list<list<string>> $rows the full name, then what it is shortened to */
    public function __construct(public array $rows)
    {
        $same = [];
        foreach ($rows as $row) {
            $words = array_values(array_unique(array_merge(...array_map(Folding::tokens(...), $row))));
            foreach ($words as $word) {
                // All of a row stand for one another.
                $same[$word] = [...$same[$word] ?? [], ...array_diff($words, [$word])];
            }
        }
        $this->same = array_map(static fn(array $words): array => array_values(array_unique($words)), $same);
    }

    /** @return list<string> folded words that a folded word may stand for, itself not among them */
    public function of(string $word): array
    {
        return $this->same[$word] ?? [];
    }

    /** What a new platform starts with. */
    public static function first(): self
    {
        return new self(self::FIRST_ROWS);
    }
}
