<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use Doctrine\DBAL\Connection;
use MintDoor\Core\People\CareVerdict;
use MintDoor\People\PersonRow;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Locks;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;

/** Finds a person for a caller. Whoever is out of their reach is not there for them. */
final readonly class PersonGate
{
    public function __construct(
        private Connection $db,
        private Caring $caring,
        private PlatformClock $clock,
        private Locks $locks,
    ) {}

    /**
     * @return array{Row, CareVerdict} with `PersonRow::COLUMNS`, `gone`, `gone_into`, `version`, `must_change`,
     *     `has_password`, `made_at`, `used_at`; and whether the caller may look after their account
     *
     * @throws Problem of type `NotAllowed` or `NotFound`
     */
    public function at(string $person, Caller $caller): array
    {
        if ('staff' !== $caller->kind && !$caller->isAdministrator()) {
            throw Problem::notAllowed('Only staff look people up.');
        }
        // Whoever passes here inside a transaction is about to change them.
        $this->locks->people([$person], alone: true);
        $verdict = $this->caring->verdicts([$person], $caller)[$person] ?? throw Problem::notFound('This person');
        $row = new Row(
            $this->db->fetchAssociative(
                'SELECT '
                    .PersonRow::COLUMNS
                    .', p.gone, p.gone_into, p.version, a.must_change, a.made_at, a.used_at,
                 a.password_hash IS NOT NULL AS has_password
             FROM '
                    .PersonRow::TABLES
                    .' WHERE p.id = ?',
                [Id::binary($person)],
            )
            ?: [],
        );
        // A tie that is too fresh opens nobody's page.
        if (!$verdict->allowed() && [] === $this->caring->known([$row], $caller) && $person !== $caller->id) {
            throw Problem::notFound('This person');
        }

        return [$row, $verdict];
    }

    /**
     * For what wants that one looks after somebody.
     *
     * @throws Problem of type `NotAllowed` or `NotFound`
     */
    public function cared(string $person, Caller $caller): Row
    {
        [$row, $verdict] = $this->at($person, $caller);

        return $verdict->allowed() ? $row : throw Problem::notAllowed($this->caring->sentence($verdict));
    }

    /** Whether both are in some site now. */
    public function sharesSite(string $person, Caller $caller): bool
    {
        $now = Instant::toSql($this->clock->instant());

        return false
            !== $this->db->fetchOne(
                "SELECT 1 FROM enrollment_segment g
             JOIN enrollment_segment own ON own.site_id = g.site_id AND own.person_id = ?
                 AND own.from_at <= ? AND own.until_at > ? AND own.state = 'current'
             WHERE g.person_id = ? AND g.from_at <= ? AND g.until_at > ? AND g.state IN ('current', 'paused') LIMIT 1",
                [Id::binary($caller->id), $now, $now, Id::binary($person), $now, $now],
            );
    }

    /**
     * For what only administrators of their division do, and only to those who do not administer anything themselves.
     *
     * @throws Problem of type `NotAllowed` or `NotFound`
     */
    public function administered(string $person, Caller $caller, string $sentence): Row
    {
        [$row, $verdict] = $this->at($person, $caller);
        if (!$this->caring->caretaker($caller)->mayClose(PersonRow::person($row))) {
            throw Problem::notAllowed($sentence);
        }
        // One's own facts are anybody's to correct who corrects those of others.
        if (!$verdict->allowed() && 'own-account' !== $verdict->refusal) {
            throw Problem::notAllowed($this->caring->sentence($verdict));
        }

        return $row;
    }

    /**
     * Somebody, and those who were merged into them.
     *
     * @return non-empty-list<string> ids
     */
    public function everyId(string $person): array
    {
        return [
            $person,
            ...array_map(
                static fn(mixed $id): string => Id::text(\is_string($id) ? $id : ''),
                $this->db->fetchFirstColumn("SELECT id FROM person WHERE gone_into = ? AND gone = 'merged'", [
                    Id::binary($person),
                ]),
            ),
        ];
    }
}
