<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use MintDoor\Core\Changes\ComputedChange;
use MintDoor\Core\Changes\Note;
use MintDoor\Core\Roles\Permission;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Roster\WorkMeter;
use MintDoor\Shared\Id;
use MintDoor\Shared\Row;

/** The work that people leave behind in a site. */
final readonly class LeftBehind
{
    public function __construct(private Connection $db, private Roles $roles, private WorkMeter $meter) {}

    /**
     * How many pieces of work those leave behind who would lose entry.
     *
     * @param array<array-key, ComputedChange> $lines
     * @param array<int, Row>        $people one a line
     *
     * @return array<array-key, int> by line
     */
    public function pieces(string $site, array $lines, array $people): array
    {
        $leaving = array_filter(
            $lines,
            static fn(ComputedChange $line): bool => []
                !== array_filter($line->cautions, static fn(Note $note): bool => 'work-stays' === $note->code),
        );
        if ([] === $leaving) {
            return [];
        }
        $seen = [];
        $ids = array_map(
            static fn(int|string $key): string => Id::binary($people[$key]->id('person_id')),
            array_keys($leaving),
        );
        foreach (
            Row::all(
                $this->db->fetchAllAssociative(
                    'SELECT person_id, last_seen_at FROM enrollment WHERE site_id = ? AND person_id IN (?)',
                    [Id::binary($site), $ids],
                    [1 => ArrayParameterType::BINARY],
                ),
            ) as $row
        ) {
            $seen[$row->id('person_id')] = $row->instantOrNull('last_seen_at');
        }
        $book = $this->roles->book();
        $pieces = [];
        foreach ($leaving as $key => $line) {
            $id = $people[$key]->id('person_id');
            $works = \in_array(
                Permission::DoWork,
                $book->permissions($line->before->roles ?? [], PersonRow::person($people[$key])),
                true,
            );
            $pieces[$key] = $works
                ? $this->meter->of($site, $id, $line->before->since ?? 0, $seen[$id] ?? null)->done()
                : 0;
        }

        return $pieces;
    }
}
