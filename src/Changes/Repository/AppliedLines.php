<?php

declare(strict_types=1);

namespace MintDoor\Changes\Repository;

use MintDoor\Changes\Entity\ChangeLine;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Id;
use MintDoor\Shared\Row;

/**
 * Lines of change lists as they were applied. By hand: a change list may have ten thousand of them, and they are looked
 * at all at once.
 *
 * @extends BaseRepository<ChangeLine>
 */
final class AppliedLines extends BaseRepository
{
    protected const ENTITY = ChangeLine::class;

    private const SAID = 10;

    /**
     * @param array<int, string> $ids of lines
     *
     * @return array<int, Row> those of a site, by the same keys, with `id`, `person_id`, `verb` and `effects`
     */
    public function inSite(string $site, array $ids): array
    {
        $byId = [];
        foreach (
            [] === $ids
                ? []
                : $this->rows('SELECT id, person_id, verb, effects FROM change_line WHERE site_id = ? AND id IN (?)', [
                    Id::binary($site),
                    self::binary(array_values($ids)),
                ]) as $row
        ) {
            $byId[$row->id('id')] = $row;
        }
        $found = array_filter($ids, static fn(string $id): bool => isset($byId[$id]));

        return array_map(static fn(string $id): Row => $byId[$id], $found);
    }

    /** @return list<Row> what was done after a version of an enrollment, with `verb`, `made_at` and who did it */
    public function after(string $site, string $person, int $version): array
    {
        return $this->rows(
            'SELECT n.verb, s.made_at, p.given_name, p.family_name, p.preferred_name
             FROM change_line n
             JOIN change_list s ON s.id = n.change_list_id
             JOIN person p ON p.id = s.made_by
             WHERE n.site_id = ? AND n.person_id = ? AND n.version_after > ?
             ORDER BY n.version_after DESC
             LIMIT '.self::SAID,
            [Id::binary($site), Id::binary($person), $version],
        );
    }

    /** @return list<Row> all lines of a change list, with `id`, `site_id` and `person_id`, the last first */
    public function ofList(string $changeList): array
    {
        return $this->rows(
            'SELECT id, site_id, person_id FROM change_line WHERE change_list_id = ? ORDER BY position DESC',
            [Id::binary($changeList)],
        );
    }

    /** @return list<string> ids of the lines of a change list in one site, the last first */
    public function idsInSite(string $changeList, string $site): array
    {
        $rows = $this->rows(
            'SELECT id FROM change_line WHERE change_list_id = ? AND site_id = ? ORDER BY position DESC',
            [Id::binary($changeList), Id::binary($site)],
        );

        return array_map(static fn(Row $row): string => $row->id('id'), $rows);
    }

    /** @return ?string id of the change list that a line is of */
    public function listOf(string $line): ?string
    {
        return $this->row('SELECT change_list_id FROM change_line WHERE id = ?', [Id::binary($line)])
            ?->id('change_list_id');
    }

    /** Whether somebody was changed in a site, other than being let in. */
    public function changedIn(string $site): bool
    {
        $sql = "SELECT 1 FROM change_line WHERE site_id = ? AND verb <> 'let-in' LIMIT 1";

        return null !== $this->row($sql, [Id::binary($site)]);
    }

    /**
     * The last line of each of some people of a site that put them in two places at once on purpose.
     *
     * @param list<string> $people ids
     *
     * @return array<string, Row> with `made_by`, their name, `made_at` and `why`, by person
     */
    public function meant(string $site, array $people): array
    {
        $meant = [];
        foreach (
            [] === $people ? [] : $this->rows(
                "SELECT n.person_id, s.made_by, s.made_at, p.given_name, p.family_name, p.preferred_name,
                    JSON_VALUE(n.notes, '$.why') AS why
                 FROM change_line n
                 JOIN change_list s ON s.id = n.change_list_id
                 JOIN person p ON p.id = s.made_by
                 WHERE n.site_id = ? AND n.person_id IN (?)
                    AND JSON_CONTAINS(JSON_EXTRACT(n.notes, '$.cautions[*].code'), '\"clash\"')
                 ORDER BY n.version_after",
                [Id::binary($site), self::binary($people)],
            ) as $row
        ) {
            $meant[$row->id('person_id')] = $row;
        }

        return $meant;
    }
}
