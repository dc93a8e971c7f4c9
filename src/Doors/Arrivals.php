<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Doors\Repository\ArrivalRows;
use MintDoor\People\PersonRow;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;
use MintDoor\Shared\Somebody;

/** The first minutes of a class: who came in, who mistypes the key, who waits for a word or a seat. */
final readonly class Arrivals
{
    /** Seconds that are looked back. */
    private const BACK = 3_600;

    /** Whoever mistyped so many seconds ago and did not come in since is still at it. */
    private const TRYING = 600;

    public function __construct(private ArrivalRows $rows) {}

    public function of(SiteAccess $access): ArrivalsAnswer
    {
        $site = $access->site->id;
        $since = $access->now - self::BACK;
        $numbers = $this->rows->numbers($site, $since, $access->now);

        return new ArrivalsAnswer(
            now: Instant::toJson($access->now),
            numbers: [
                'came' => $numbers->int('came'),
                'approval' => $numbers->int('approval'),
                'seat' => $numbers->int('seat'),
            ],
            came: array_map(
                static fn(Row $row): Arrival => new Arrival(
                    self::who($row),
                    Instant::toJson($row->instant('given_at')),
                    $row->id('door_id'),
                ),
                $this->rows->came($site, $since, $access->now),
            ),
            minutes: $this->minutes($access),
            mistyping: array_map(
                static fn(Row $row): Mistyping => new Mistyping(
                    self::who($row),
                    $row->string('slip'),
                    Instant::toJson($row->instant('at')),
                ),
                $this->rows->mistyping($site, $access->now - self::TRYING),
            ),
            waiting: $this->waiting($access),
        );
    }

    /** @return list<int> how many came in each minute of the hour, the last one still going on */
    private function minutes(SiteAccess $access): array
    {
        $minutes = intdiv(self::BACK, 60);
        $begun = $access->now - $access->now % 60;
        $came = $this->rows->byMinute($access->site->id, $begun - 60 * ($minutes - 1), $access->now);

        return array_map(static fn(int $minute): int => $came[$minute] ?? 0, range(0, $minutes - 1));
    }

    private static function who(Row $row): ?Somebody
    {
        $id = $row->idOrNull('person_id');

        return null === $id ? null : new Somebody($id, PersonRow::name($row));
    }

    /** @return list<WaitingShown> who waits at the doors of a site, in the order of the line */
    public function waiting(SiteAccess $access): array
    {
        $place = 0;
        $items = [];
        foreach ($this->rows->waiting($access->site->id) as $row) {
            $until = $row->instantOrNull('offered_until');
            $items[] = new WaitingShown(
                id: $row->int('id'),
                person: new Somebody($row->id('person_id'), PersonRow::name($row)),
                kind: $row->string('kind'),
                level: $row->intOrNull('level'),
                division: $row->string('division'),
                what: $row->string('what'),
                place: 'seat' === $row->string('what') ? ++$place : null,
                door: new Somebody($row->id('door_id'), $row->string('door')),
                since: Instant::toJson($row->instant('made_at')),
                why: $row->stringOrNull('why'),
                moved: $row->stringOrNull('moved_why'),
                offeredUntil: null === $until ? null : Instant::toJson($until),
            );
        }

        return $items;
    }
}
