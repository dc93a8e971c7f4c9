<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Doors\Repository\ArrivalRows;
use MintDoor\People\PersonRow;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;

/** The first minutes of a class: who came in, who mistypes the key, who waits for a word or a seat. */
final readonly class Arrivals
{
    /** Seconds that are looked back. */
    private const BACK = 3_600;

    /** Whoever mistyped so many seconds ago and did not come in since is still at it. */
    private const TRYING = 600;

    public function __construct(private ArrivalRows $rows) {}

    /** @return array<string, mixed> schema `Arrivals` */
    public function of(SiteAccess $access): array
    {
        $site = $access->site->id;
        $since = $access->now - self::BACK;
        $numbers = $this->rows->numbers($site, $since, $access->now);
        $who = static fn(Row $row): ?array => null === $row->idOrNull('person_id')
            ? null
            : ['id' => $row->id('person_id'), 'name' => PersonRow::name($row)];

        return [
            'now' => Instant::toJson($access->now),
            'numbers' => [
                'came' => $numbers->int('came'),
                'approval' => $numbers->int('approval'),
                'seat' => $numbers->int('seat'),
            ],
            'came' => array_map(
                static fn(Row $row): array => [
                    'person' => $who($row),
                    'at' => Instant::toJson($row->instant('given_at')),
                    'door' => $row->id('door_id'),
                ],
                $this->rows->came($site, $since, $access->now),
            ),
            'mistyping' => array_map(
                static fn(Row $row): array => [
                    'person' => $who($row),
                    'slip' => $row->string('slip'),
                    'at' => Instant::toJson($row->instant('at')),
                ],
                $this->rows->mistyping($site, $access->now - self::TRYING),
            ),
            'waiting' => $this->waiting($access),
        ];
    }

    /**
     * @return list<array<string, mixed>> schema `Waiting`: who waits at the doors of a site, in the order of the line
     */
    public function waiting(SiteAccess $access): array
    {
        $place = 0;
        $items = [];
        foreach ($this->rows->waiting($access->site->id) as $row) {
            $until = $row->instantOrNull('offered_until');
            $items[] = [
                'id' => $row->int('id'),
                'person' => ['id' => $row->id('person_id'), 'name' => PersonRow::name($row)],
                'kind' => $row->string('kind'),
                'level' => $row->intOrNull('level'),
                'division' => $row->string('division'),
                'what' => $row->string('what'),
                'place' => 'seat' === $row->string('what') ? ++$place : null,
                'door' => ['id' => $row->id('door_id'), 'name' => $row->string('door')],
                'since' => Instant::toJson($row->instant('made_at')),
                'why' => $row->stringOrNull('why'),
                'moved' => $row->stringOrNull('moved_why'),
                'offeredUntil' => null === $until ? null : Instant::toJson($until),
            ];
        }

        return $items;
    }
}
