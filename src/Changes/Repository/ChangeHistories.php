<?php

declare(strict_types=1);

namespace MintDoor\Changes\Repository;

use MintDoor\Changes\Entity\ChangeLine;
use MintDoor\Core\Changes\ChangeHistory;
use MintDoor\Core\Changes\Done;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Id;

/**
 * Reads what was applied to enrollments of a site, as the core wants it. By hand: of everybody on a page or a change
 * list at once.
 *
 * @extends BaseRepository<ChangeLine>
 */
final class ChangeHistories extends BaseRepository
{
    protected const ENTITY = ChangeLine::class;

    /**
     * @param list<string> $people ids
     *
     * @return array{array<string, ChangeHistory>, array<string, int>} histories by person, and the history's sequence
     *     numbers
     *     by line
     */
    public function of(string $siteId, array $people): array
    {
        if ([] === $people) {
            return [[], []];
        }

        return $this->read(
            'n.site_id = ? AND n.person_id IN (?)',
            [Id::binary($siteId), self::binary($people)],
            'person_id',
        );
    }

    /**
     * @return array{array<string, ChangeHistory>, array<string, int>} histories of one person by site, and the
     *     history's
     *     sequence numbers by line
     */
    public function ofPerson(string $person): array
    {
        return $this->read('l.person_id = ?', [Id::binary($person)], 'site_id');
    }

    /**
     * @param list<mixed>             $values
     * @param 'person_id'|'site_id' $by
     *
     * @return array{array<string, ChangeHistory>, array<string, int>}
     */
    private function read(string $where, array $values, string $by): array
    {
        $done = $sequences = [];
        $sql = "SELECT n.id, n.site_id, n.person_id, n.version_after, n.undoes, l.sequence
            FROM change_line n
            JOIN history_entry l ON l.line_id = n.id
            WHERE $where";
        foreach ($this->rows($sql, $values) as $row) {
            $done[$row->id($by)][] = new Done($row->id('id'), $row->int('version_after'), $row->idOrNull('undoes'));
            $sequences[$row->id('id')] = $row->int('sequence');
        }

        return [array_map(static fn(array $lines): ChangeHistory => new ChangeHistory($lines), $done), $sequences];
    }
}
