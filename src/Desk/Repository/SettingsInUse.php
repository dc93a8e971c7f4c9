<?php

declare(strict_types=1);

namespace MintDoor\Desk\Repository;

use Doctrine\Persistence\ManagerRegistry;
use MintDoor\Core\Platform\RoleKnown;
use MintDoor\Core\Platform\SettingsUse;
use MintDoor\People\Entity\Person;
use MintDoor\People\Repository\PersonDetails;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Row;

/**
 * How much of the settings is in use. By hand: everybody and all sites are counted at once.
 *
 * @extends BaseRepository<Person>
 */
final class SettingsInUse extends BaseRepository
{
    protected const ENTITY = Person::class;

    public function __construct(ManagerRegistry $managers, private readonly PersonDetails $details)
    {
        parent::__construct($managers);
    }

    /**
     * @param list<string>             $codes short codes of sites that settings speak of
     * @param array<string, RoleKnown> $roles by code
     */
    public function now(array $codes = [], array $roles = []): SettingsUse
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

        // A starter keeps its site under the short code that it had then.
        $known = [] === $codes ? [] : $this->rows(
            'SELECT code FROM site WHERE code IN (:codes) AND taken_back = 0
             UNION SELECT site FROM starter_door WHERE site IN (:codes)',
            ['codes' => $codes],
        );
        $codes = array_fill_keys(array_map(static fn(Row $row): string => $row->string('code'), $known), true);

        $kinds = [];
        foreach ($this->rows(<<<'SQL'
            SELECT own_kind, COUNT(*) AS people
            FROM person
            WHERE gone IS NULL AND own_kind IS NOT NULL
            GROUP BY own_kind
            SQL) as $row) {
            $kinds[$row->string('own_kind')] = $row->int('people');
        }

        return new SettingsUse(
            $people,
            $sites,
            $terms,
            $levels,
            $traces,
            $codes,
            $roles,
            $this->details->inUse(),
            $kinds,
        );
    }

    /** Whoever changes settings waits for whoever does so already, and makes sites and people wait. */
    public function lock(): void
    {
        $this->rows('SELECT id FROM division ORDER BY id FOR UPDATE');
    }
}
