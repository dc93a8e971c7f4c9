<?php

declare(strict_types=1);

namespace MintDoor\Shared;

/** Conditions that many statements share. */
final class Sql
{
    private function __construct() {}

    /** That an instant lies in a stretch of time, of a segment, a grant or a door. */
    public static function holds(string $alias, string $at = ':now'): string
    {
        return "$alias.from_at <= $at AND $alias.until_at > $at";
    }

    /** Text that somebody typed, anywhere in a column, for `LIKE`. */
    public static function containing(string $typed): string
    {
        return '%'.self::beginning($typed);
    }

    /** Text that somebody typed, at the beginning of a column, for `LIKE`. */
    public static function beginning(string $typed): string
    {
        return addcslashes($typed, '%_\\').'%';
    }

    /** @return list<string> the words somebody typed */
    public static function words(?string $typed): array
    {
        $words = preg_split('/\s+/u', mb_scrub($typed ?? '')) ?: [];

        return array_values(array_filter($words, static fn(string $word): bool => '' !== $word));
    }

    /**
     * Ids written out: binding hundreds of them takes longer than the statement.
     *
     * @param list<string> $ids
     */
    public static function ids(array $ids): string
    {
        return implode(', ', array_map(static fn(string $id): string => (new BulkId($id))->sql, $ids)) ?: 'NULL';
    }

    /**
     * That rows come after a place in a list, in the order in which it is sorted.
     *
     * @param array<string, string> $columns whether each is sorted "ASC" or "DESC", the last one an id; the values of
     *                                       the place are `:c0`, `:c1` …
     */
    public static function after(array $columns): string
    {
        $alternatives = [];
        $names = array_keys($columns);
        foreach ($names as $place => $name) {
            $parts = [];
            foreach (\array_slice($names, 0, $place) as $before => $earlier) {
                $parts[] = "$earlier = :c$before";
            }
            $parts[] = $name.('DESC' === $columns[$name] ? ' < ' : ' > ').":c$place";
            $alternatives[] = '('.implode(' AND ', $parts).')';
        }

        return '('.implode(' OR ', $alternatives).')';
    }
}
