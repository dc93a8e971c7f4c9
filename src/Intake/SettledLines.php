<?php

declare(strict_types=1);

namespace MintDoor\Intake;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use MintDoor\People\PersonRow;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Row;

/**
 * Whom lines meant when somebody settled them by hand, site by site. Remembered lines rank people; they take nobody.
 */
final readonly class SettledLines
{
    public function __construct(private Connection $db, private PlatformClock $clock) {}

    /**
     * @param list<string> $gists of lines, as `PastedLine::gist()` has them
     *
     * @return array<string, string> person by gist
     */
    public function of(string $site, array $gists): array
    {
        $settled = [];
        foreach (
            [] === $gists
                ? []
                : Row::all(
                    $this->db->fetchAllAssociative(
                        'SELECT gist, person_id FROM settled_line WHERE site_id = ? AND gist IN (?)',
                        [Id::binary($site), $gists],
                        [1 => ArrayParameterType::STRING],
                    ),
                ) as $row
        ) {
            $settled[$row->string('gist')] = $row->id('person_id');
        }

        return $settled;
    }

    /**
     * @return list<array{gist: string, text: string, person: array{id: string, name: string}, by: string, at: ?string}>
     *     the last first
     */
    public function list(string $site): array
    {
        return array_map(
            static fn(Row $row): array => [
                'gist' => $row->string('gist'),
                'text' => $row->string('text'),
                'person' => ['id' => $row->id('person_id'), 'name' => PersonRow::name($row)],
                'by' => PersonRow::name($row, 'by_'),
                'at' => Instant::toJson($row->instant('made_at')),
            ],
            Row::all(
                $this->db->fetchAllAssociative(
                    <<<'SQL'
                        SELECT l.gist, l.text, l.person_id, l.made_at, p.given_name, p.family_name, p.preferred_name,
                            b.given_name AS by_given_name, b.family_name AS by_family_name,
                            b.preferred_name AS by_preferred_name
                        FROM settled_line l
                        JOIN person p ON p.id = l.person_id
                        JOIN person b ON b.id = l.made_by
                        WHERE l.site_id = ?
                        ORDER BY l.made_at DESC, l.gist
                        LIMIT 500
                        SQL,
                    [Id::binary($site)],
                ),
            ),
        );
    }

    public function remember(string $site, string $gist, string $text, string $person, Caller $by): void
    {
        $this->db->executeStatement(
            <<<'SQL'
                INSERT INTO settled_line (site_id, gist, person_id, made_by, made_at, text)
                VALUES (?, ?, ?, ?, ?, ?)
                ON DUPLICATE KEY UPDATE person_id = VALUES(person_id), made_by = VALUES(made_by),
                    made_at = VALUES(made_at), text = VALUES(text)
                SQL,
            [
                Id::binary($site),
                $gist,
                Id::binary($person),
                Id::binary($by->id),
                Instant::toSql($this->clock->instant()),
                $text,
            ],
        );
    }

    /** @return bool whether there was one */
    public function forget(string $site, string $gist): bool
    {
        return 0
            < $this->db->executeStatement('DELETE FROM settled_line WHERE site_id = ? AND gist = ?', [
                Id::binary($site),
                $gist,
            ]);
    }
}
