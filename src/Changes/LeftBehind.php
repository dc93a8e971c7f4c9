<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Core\Changes\Note;
use MintDoor\Core\Roles\Permission;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Repository\Enrollments;
use MintDoor\Roster\WorkMeter;

/** The work that people leave behind in a site. */
final readonly class LeftBehind
{
    public function __construct(private Enrollments $enrollments, private Roles $roles, private WorkMeter $meter) {}

    /**
     * How many pieces of work those leave behind who would lose entry.
     *
     * @param array<int, ComputedLine> $lines
     *
     * @return array<int, int> by line
     */
    public function pieces(string $site, array $lines): array
    {
        $leaving = array_filter(
            $lines,
            static fn(ComputedLine $line): bool => []
                !== array_filter(
                    $line->change->cautions ?? [],
                    static fn(Note $note): bool => 'work-stays' === $note->code,
                ),
        );
        if ([] === $leaving) {
            return [];
        }
        $ids = array_map(static fn(ComputedLine $line): string => $line->personId(), array_values($leaving));
        $seen = $this->enrollments->lastSeen($site, $ids);
        $book = $this->roles->book();
        $pieces = [];
        foreach ($leaving as $key => $line) {
            $before = $line->change?->before;
            $works = \in_array(
                Permission::DoWork,
                $book->permissions($before->roles ?? [], PersonRow::person($line->person)),
                true,
            );
            $id = $line->personId();
            $pieces[$key] = $works
                ? $this->meter->of($site, $id, $before->since ?? 0, $seen[$id] ?? null)->done()
                : 0;
        }

        return $pieces;
    }
}
