<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Core\Roster\CountedStretch;
use MintDoor\Core\Roster\Segment;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Time\Window;
use MintDoor\Shared\Row;

/** Segments between the core, their table and the contract. */
final class SegmentRow
{
    private function __construct() {}

    /** @param Row $row with `state`, `roles`, `from_at`, `until_at`, `since_at`, `holds_seat`, `sections` */
    public static function segment(Row $row): Segment
    {
        return new Segment(
            new Window($row->instant('from_at'), $row->instant('until_at')),
            State::from($row->string('state')),
            $row->list('roles'),
            $row->bool('holds_seat'),
            $row->instant('since_at'),
            $row->list('sections'),
        );
    }

    /** So many people in one state, with `state`, `from_at`, `until_at` and `people`. */
    public static function counted(Row $row): CountedStretch
    {
        return new CountedStretch(
            State::from($row->string('state')),
            new Window($row->instant('from_at'), $row->instant('until_at')),
            $row->int('people'),
        );
    }
}
