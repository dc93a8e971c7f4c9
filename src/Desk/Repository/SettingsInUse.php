<?php

declare(strict_types=1);

namespace MintDoor\Desk\Repository;

use MintDoor\Core\Platform\SettingsUse;
use MintDoor\People\Entity\Person;
use MintDoor\Shared\BaseRepository;

/**
 * How much of the settings is in use. By hand: everybody and all sites are counted at once.
 *
 * @extends BaseRepository<Person>
 */
final class SettingsInUse extends BaseRepository
{
    protected const ENTITY = Person::class;

    public function now(): SettingsUse
    {
        $people = $levels = $sites = $terms = [];
        foreach ($this->rows(<<<'SQL'
            SELECT d.code, p.level, COUNT(*) AS people
            FROM person p
            JOIN division d ON d.id = p.division_id
            WHERE p.gone IS NULL
            GROUP BY d.code, p.level
            SQL) as $row) {
            $division = $row->string('code');
            $people[$division] = ($people[$division] ?? 0) + $row->int('people');
            if (null !== $row->intOrNull('level')) {
                $levels[$division][$row->int('level')] = $row->int('people');
            }
        }
        foreach ($this->rows(<<<'SQL'
            SELECT d.code AS division, t.code AS term, COUNT(*) AS sites, SUM(s.taken_back = 0) AS there
            FROM site s
            JOIN division d ON d.id = s.division_id
            LEFT JOIN term t ON t.id = s.term_id
            GROUP BY d.code, t.code
            SQL) as $row) {
            $sites[$row->string('division')] = ($sites[$row->string('division')] ?? 0) + $row->int('there');
            $term = $row->stringOrNull('term') ?? '';
            $terms[$term] = ($terms[$term] ?? 0) + $row->int('sites');
        }

        $traces = [];
        foreach ($this->rows(<<<'SQL'
            SELECT d.code,
                (SELECT COUNT(*) FROM person p WHERE p.division_id = d.id)
                    + (SELECT COUNT(*) FROM site s WHERE s.division_id = d.id)
                    + (SELECT COUNT(*) FROM division_administrator a WHERE a.division_id = d.id)
                    + (SELECT COUNT(*) FROM numbers_reader r WHERE r.division_id = d.id) AS many
            FROM division d
            SQL) as $row) {
            $traces[$row->string('code')] = $row->int('many');
        }

        return new SettingsUse($people, $sites, $terms, $levels, $traces);
    }

    /** Whoever changes settings waits for whoever does so already, and makes sites and people wait. */
    public function lock(): void
    {
        $this->rows('SELECT id FROM division ORDER BY id FOR UPDATE');
    }
}
