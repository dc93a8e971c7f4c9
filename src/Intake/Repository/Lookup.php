<?php

declare(strict_types=1);

namespace MintDoor\Intake\Repository;

use Doctrine\DBAL\Connection;
use MintDoor\Core\Intake\Matcher;
use MintDoor\Core\Intake\PastedLine;
use MintDoor\Core\Intake\Wording;
use MintDoor\Core\Text\Folding;
use MintDoor\Core\Text\NameKeys;
use MintDoor\Core\Text\Nicknames;
use MintDoor\Intake\Bearers;
use MintDoor\Intake\PeopleFound;
use MintDoor\People\Repository\Directory;
use MintDoor\People\Repository\NameIndex;
use MintDoor\Shared\Id;
use MintDoor\Shared\Row;
use MintDoor\Shared\Statements;

/**
 * Looks up everybody who comes into question for some pasted line, in a few statements however many lines there
 * are: names near the words, how many bear each pair of names, and then the people. By hand: for thousands of lines
 * among 200,000 people at once (`bin/bench`: pasted lines).
 */
final readonly class Lookup
{
    use Statements;

    /** Of a pair with more bearers only those of the site's division are looked at. */
    private const MANY = 40;

    /** And of more than so many there, only some: then nobody is taken by that name. */
    private const TOO_MANY = 200;

    public function __construct(private Connection $db, private Directory $directory) {}

    /** @param list<PastedLine> $lines */
    public function wording(array $lines, Nicknames $nicknames): Wording
    {
        $slips = [];
        foreach (Wording::words($lines) as $word) {
            $slips += array_fill_keys(NameKeys::slips($word), true);
        }
        $names =
            [] === $slips
                ? []
                : $this->rows('SELECT DISTINCT name FROM name_slip WHERE slip IN (?)', [
                    array_map(strval(...), array_keys($slips)),
                ]);
        $names = array_map(static fn(Row $row): string => $row->string('name'), $names);

        return new Wording($nicknames, $names, $lines);
    }

    /**
     * @param list<PastedLine> $lines
     * @param string           $division id of the site's
     * @param list<string>     $others   ids of people who come into question besides
     */
    public function people(
        array $lines,
        Wording $wording,
        Matcher $matcher,
        string $site,
        string $division,
        array $others = [],
    ): PeopleFound {
        $codes = $identifiers = [];
        foreach ($lines as $line) {
            if ($line->person) {
                $codes += array_fill_keys($wording->keys($line), true);
                foreach ($matcher->identifiers($line) as $identifier) {
                    $identifiers[$identifier] = true;
                    $codes[NameIndex::local($identifier)] = true;
                }
            }
        }
        $codes = Folding::plain(array_map(strval(...), array_keys($codes)));
        $identifiers = array_map(strval(...), array_keys($identifiers));
        $bearers = $this->bearers($codes, $division);
        $parts = $values = [];
        $add = static function (string $sql, mixed ...$of) use (&$parts, &$values): void {
            $parts[] = $sql;
            array_push($values, ...$of);
        };
        if ([] !== $bearers->all) {
            $add('SELECT person_id FROM person_key WHERE code IN (?)', $bearers->all);
        }
        if ([] !== $bearers->ofDivision) {
            $add(
                'SELECT person_id FROM person_key WHERE code IN (?) AND division_id = ?',
                $bearers->ofDivision,
                Id::binary($division),
            );
        }
        foreach ($bearers->few as $code) {
            $add(
                '(SELECT person_id FROM person_key WHERE code = ? AND division_id = ? LIMIT '.self::MANY.')',
                $code,
                Id::binary($division),
            );
        }
        if ([] !== $identifiers) {
            $add('SELECT id FROM person WHERE number IN (?)', array_map(strtoupper(...), Folding::plain($identifiers)));
            $add('SELECT id FROM person WHERE email IN (?)', $identifiers);
            $add('SELECT person_id FROM account WHERE login IN (?)', Folding::plain($identifiers));
        }
        if ([] !== $others) {
            $add('SELECT id FROM person WHERE id IN (?)', array_map(Id::binary(...), $others));
        }
        // The first column names the union's.
        $sql = (string) preg_replace('/SELECT id FROM/', 'SELECT id AS person_id FROM', implode(' UNION ', $parts));

        return new PeopleFound('' === $sql ? [] : $this->directory->hits($sql, $values, $site), $bearers->crowded);
    }

    /**
     * Pairs by how many bear them.
     *
     * @param list<string> $codes
     */
    private function bearers(array $codes, string $division): Bearers
    {
        $bearers = $here = [];
        foreach (
            [] === $codes
                ? []
                : $this->rows(
                    <<<'SQL'
                        SELECT code, division_id = ? AS here, COUNT(*) AS people
                        FROM person_key
                        WHERE code IN (?)
                        GROUP BY code, here
                        SQL,
                    [Id::binary($division), $codes],
                ) as $row
        ) {
            $code = $row->string('code');
            $bearers[$code] = ($bearers[$code] ?? 0) + $row->int('people');
            $here[$code] = ($here[$code] ?? 0) + ($row->bool('here') ? $row->int('people') : 0);
        }
        $all = $ofDivision = $few = $crowded = [];
        foreach ($bearers as $code => $count) {
            $code = (string) $code;
            if ($count <= self::MANY) {
                $all[] = $code;
                continue;
            }
            $crowded[$code] = $here[$code] > self::TOO_MANY;
            $crowded[$code] ? ($few[] = $code) : ($ofDivision[] = $code);
        }

        return new Bearers($all, $ofDivision, $few, $crowded);
    }

    protected function connection(): Connection
    {
        return $this->db;
    }
}
