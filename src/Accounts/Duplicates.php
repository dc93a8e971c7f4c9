<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use MintDoor\Core\Accounts\Likeness;
use MintDoor\Core\Intake\Known;
use MintDoor\Core\People\PersonVisibility;
use MintDoor\Core\Text\Folding;
use MintDoor\People\PersonRow;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Row;

/** People who are likely in the directory twice, for administrators. */
final readonly class Duplicates
{
    private const SHOWN = 100;

    /** Namesakes of one name that are looked at; where more share it, a name says nothing. */
    private const NAMESAKES = 12;

    /** Groups of one name that are looked at. */
    private const GROUPS = 4_000;

    public function __construct(private Connection $db, private PlatformClock $clock) {}

    /** @return array<string, mixed> schema `Duplicates` */
    public function of(Caller $caller): array
    {
        $divisions = $caller->platformAdministrator ? null : $caller->divisions;
        $mine = null === $divisions ? '' : ' AND p.division_id IN (SELECT id FROM division WHERE code IN (?))';
        $values = null === $divisions ? [] : [$divisions ?: ['']];
        $types = null === $divisions ? [] : [ArrayParameterType::STRING];
        $pairs = [];
        $groups = $this->db->fetchFirstColumn(
            'SELECT GROUP_CONCAT(HEX(p.id) ORDER BY p.id) FROM person p WHERE p.gone IS NULL '
                ."AND p.sort_name <> ''$mine GROUP BY p.sort_name HAVING COUNT(*) BETWEEN 2 AND "
                .self::NAMESAKES
                .' LIMIT '
                .self::GROUPS,
            $values,
            $types,
        );
        $ids = array_map(
            static fn(mixed $group): array => array_map(
                static fn(string $hex): string => Id::text((string) hex2bin($hex)),
                explode(',', \is_string($group) ? $group : ''),
            ),
            $groups,
        );
        $rows = $this->rows(array_merge([], ...$ids));
        foreach ($ids as $group) {
            foreach ($group as $place => $one) {
                foreach (\array_slice($group, $place + 1) as $other) {
                    $likeness = isset($rows[$one], $rows[$other])
                        ? Likeness::of(self::known($rows[$one]), self::known($rows[$other]))
                        : null;
                    if (null !== $likeness) {
                        $pairs[$one.$other] = [$rows[$one], $rows[$other], $likeness->evidence];
                    }
                }
            }
        }
        $pairs = array_diff_key($pairs, $this->toldApart());
        uasort(
            $pairs,
            static fn(array $a, array $b): int => [
                -\count($a[2]),
                $a[0]->string('sort_name'),
                $a[0]->id('person_id'),
            ] <=> [-\count($b[2]), $b[0]->string('sort_name'), $b[0]->id('person_id')],
        );

        return [
            'total' => \count($pairs),
            'items' => array_map($this->json(...), array_values(\array_slice($pairs, 0, self::SHOWN))),
        ];
    }

    /** Says that two are two, or takes that back. */
    public function tellApart(string $one, string $other, bool $apart, Caller $caller): void
    {
        $ids = [Id::binary(min($one, $other)), Id::binary(max($one, $other))];
        if ($apart) {
            $this->db->executeStatement(
                'INSERT IGNORE INTO told_apart (one_id, other_id, made_by, made_at) VALUES (?, ?, ?, ?)',
                [...$ids, Id::binary($caller->id), Instant::toSql($this->clock->instant())],
            );
        } else {
            $this->db->executeStatement('DELETE FROM told_apart WHERE one_id = ? AND other_id = ?', $ids);
        }
    }

    /**
     * @param array{Row, Row, list<string>} $pair
     *
     * @return array<string, mixed>
     */
    private function json(array $pair): array
    {
        return [
            'people' => array_map(
                static fn(Row $row): array => [
                    'person' => PersonRow::json($row, PersonVisibility::Full),
                    'sites' => $row->int('sites'),
                    'account' => null !== $row->stringOrNull('login'),
                    'usedAt' =>
                        null === $row->instantOrNull('used_at') ? null : Instant::toJson($row->instant('used_at')),
                    'known' => Instant::toJson(self::since($row->id('person_id'))),
                ],
                [$pair[0], $pair[1]],
            ),
            'evidence' => $pair[2],
        ];
    }

    /** When somebody came into the directory: ids carry the time they were made (RFC 9562, version 7). */
    private static function since(string $id): int
    {
        return intdiv((int) hexdec(substr(str_replace('-', '', $id), 0, 12)), 1_000);
    }

    private static function known(Row $row): Known
    {
        $words = static fn(string $column): array => Folding::tokens((string) $row->stringOrNull($column));

        return new Known(
            PersonRow::person($row),
            $words('given_name'),
            $words('family_name'),
            $words('preferred_name'),
            $words('former_name'),
            array_map(Folding::identifier(...), PersonRow::identifiers($row)),
        );
    }

    /**
     * @param list<string> $people ids
     *
     * @return array<string, Row> by id
     */
    private function rows(array $people): array
    {
        $rows = [];
        foreach (array_chunk(array_unique($people), 1_000) as $some) {
            foreach (
                Row::all(
                    $this->db->fetchAllAssociative(
                        'SELECT '
                            .PersonRow::COLUMNS
                            .', a.used_at, (SELECT COUNT(*) FROM enrollment e WHERE e.person_id = p.id) AS sites FROM '
                            .PersonRow::TABLES
                            .' WHERE p.id IN (?)',
                        [array_map(Id::binary(...), $some)],
                        [ArrayParameterType::BINARY],
                    ),
                ) as $row
            ) {
                $rows[$row->id('person_id')] = $row;
            }
        }

        return $rows;
    }

    /** @return array<string, true> both ids, the smaller first */
    private function toldApart(): array
    {
        $pairs = [];
        foreach (Row::all($this->db->fetchAllAssociative('SELECT one_id, other_id FROM told_apart')) as $row) {
            $pairs[$row->id('one_id').$row->id('other_id')] = true;
        }

        return $pairs;
    }
}
