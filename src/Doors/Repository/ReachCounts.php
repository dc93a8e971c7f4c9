<?php

declare(strict_types=1);

namespace MintDoor\Doors\Repository;

use Doctrine\Persistence\ManagerRegistry;
use MintDoor\Core\Doors\Standers;
use MintDoor\Core\People\Person as CorePerson;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Roster\Segment;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use MintDoor\History\KeptUntilChange;
use MintDoor\People\Entity\Person;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;
use MintDoor\Shared\Sql;

/**
 * Everybody who has an account, counted by what is alike of them for the rules of a door. By hand: 200,000 people are
 * counted while its sentence is written (`bin/bench`: reach of a door), and are kept as they were counted; those of the
 * site are looked at each time.
 *
 * @extends BaseRepository<Person>
 */
final class ReachCounts extends BaseRepository
{
    protected const ENTITY = Person::class;

    private const ALIKE = <<<'SQL'
        p.kind, p.own_kind, p.division_id, p.level, a.closed_from, domain
        SQL;

    private const COLUMNS = <<<'SQL'
        p.kind AS person_kind, p.own_kind, p.level, a.closed_from, %s AS domain,
            (SELECT pd.code FROM division pd WHERE pd.id = p.division_id) AS person_division, COUNT(*) AS people
        SQL;

    public function __construct(ManagerRegistry $managers, private readonly KeptUntilChange $kept)
    {
        parent::__construct($managers);
    }

    /**
     * @param list<string> $domains of addresses that are told apart
     *
     * @return list<Standers>
     */
    public function alike(string $site, array $domains, int $now): array
    {
        $alike = [];
        $kept = 'reach '.json_encode($domains, \JSON_THROW_ON_ERROR);
        foreach ($this->kept->get($kept, fn(): array => $this->everybody($domains)) as $some) {
            self::tally($alike, $some, $now, $some->many);
        }
        foreach ($this->ofSite($site, $domains, $now) as $some) {
            self::tally($alike, new Standers($some->person, $some->address, null, 0), $now, -$some->many);
            self::tally($alike, $some, $now, $some->many);
        }

        return array_values(array_filter($alike, static fn(Standers $some): bool => $some->many > 0));
    }

    /**
     * @param list<string> $domains
     *
     * @return list<Standers> wherever they are
     */
    private function everybody(array $domains): array
    {
        $sql =
            'SELECT '.self::columns($domains).', NULL AS state
             FROM person p
             JOIN account a ON a.person_id = p.id
             WHERE p.gone IS NULL
             GROUP BY '.self::ALIKE;

        return array_map(self::standers(...), $this->rows($sql, [] === $domains ? [] : ['domains' => $domains]));
    }

    /**
     * @param list<string> $domains
     *
     * @return list<Standers> with what they are in the site
     */
    private function ofSite(string $site, array $domains, int $now): array
    {
        $rows = $this->rows(
            'SELECT '.self::columns($domains).', g.state
             FROM enrollment_segment g
             JOIN person p ON p.id = g.person_id
             JOIN account a ON a.person_id = p.id
             WHERE g.site_id = :site AND '.Sql::holds('g').' AND p.gone IS NULL
             GROUP BY '.self::ALIKE.', g.state',
            [
                'now' => Instant::toSql($now),
                'site' => Id::binary($site),
                ...[] === $domains ? [] : ['domains' => $domains],
            ],
        );

        return array_map(self::standers(...), $rows);
    }

    /**
     * Domains that nobody asks for are not told apart, nor kept: one may be a family's own.
     *
     * @param list<string> $domains
     */
    private static function columns(array $domains): string
    {
        $own = "SUBSTRING_INDEX(p.email, '@', -1)";
        $asked = [] === $domains ? "'any'" : "IF($own IN (:domains), LOWER($own), 'any')";

        return \sprintf(self::COLUMNS, "IF(p.email IS NULL, NULL, $asked)");
    }

    /** @param array<string, Standers> $alike */
    private static function tally(array &$alike, Standers $some, int $now, int $many): void
    {
        $person = $some->person;
        $address = $some->address;
        $closed = $person->accountClosedFrom <= $now ? $person->accountClosedFrom : Time::FOREVER;
        $here = $some->here?->state->value;
        $kinds = implode('/', $person->kinds());
        $key = implode(' ', [$kinds, $person->division, $person->level, $closed, $address, $here]);
        $alike[$key] = new Standers(
            new CorePerson('', $person->kind, $person->division, $person->level, $closed, $person->own),
            $address,
            $some->here,
            ($alike[$key]->many ?? 0) + $many,
        );
    }

    private static function standers(Row $row): Standers
    {
        $state = $row->stringOrNull('state');
        $domain = $row->stringOrNull('domain');

        return new Standers(
            new CorePerson(
                '',
                PersonKind::from($row->string('person_kind')),
                $row->string('person_division'),
                $row->intOrNull('level'),
                $row->instant('closed_from'),
                $row->stringOrNull('own_kind'),
            ),
            null === $domain ? null : 'x@'.$domain,
            null === $state ? null : new Segment(new Window(), State::from($state), [], false, Time::BEGINNING),
            $row->int('people'),
        );
    }
}
