<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Shared\Cursor;

/** How a roster is sorted, and after which row a page of it begins. */
final readonly class RosterPlace
{
    /** @param 'name'|'kind'|'level'|'division'|'number'|'role'|'section'|'state'|'since'|'seen' $by */
    public function __construct(public string $by, public bool $down, public ?Cursor $after, public int $limit) {}

    public static function of(RosterFilter $filter): self
    {
        \assert(\in_array($filter->sort, RosterFilter::SORTS, true));
        $down = 'down' === $filter->direction;

        return new self(
            $filter->sort,
            $down,
            Cursor::read($filter->cursor, self::list($filter), 'asu'),
            $filter->limit
        );
    }

    /** What a cursor belongs to. */
    public static function list(RosterFilter $filter): string
    {
        return 'roster '.$filter->sort.' '.$filter->direction;
    }
}
