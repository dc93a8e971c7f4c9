<?php

declare(strict_types=1);

namespace MintDoor\Changes\Repository;

use MintDoor\Changes\Entity\ChangeLine;
use MintDoor\Changes\Histories;
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
     * @return Histories by person
     */
    public function of(string $siteId, array $people): Histories
    {
        if ([] === $people) {
            return new Histories();
        }

        return $this->read(
            'n.site_id = ? AND n.person_id IN (?)',
            [Id::binary($siteId), self::binary($people)],
            'person_id',
        );
    }

    /** @return Histories of one person, by site */
    public function ofPerson(string $person): Histories
    {
        return $this->read('l.person_id = ?', [Id::binary($person)], 'site_id');
    }

    /**
     * @param list<mixed>             $values
     * @param 'person_id'|'site_id' $by
     */
    private function read(string $where, array $values, string $by): Histories
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

        $histories = array_map(static fn(array $lines): ChangeHistory => new ChangeHistory($lines), $done);

        return new Histories($histories, $sequences);
    }
}
