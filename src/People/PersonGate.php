<?php

declare(strict_types=1);

namespace MintDoor\People;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use MintDoor\Core\People\Sight;
use MintDoor\Core\Roles\Permission;
use MintDoor\Hall\Caller;
use MintDoor\Hall\HouseClock;
use MintDoor\Hall\Id;
use MintDoor\Hall\Instant;
use MintDoor\Hall\Problem;
use MintDoor\Hall\Row;
use MintDoor\Roles\Roles;

/** Finds a person for a caller. Whoever is out of their reach is not there for them. */
final readonly class PersonGate
{
    public function __construct(
        private Connection $db,
        private Directory $directory,
        private Accounts $accounts,
        private Roles $roles,
        private HouseClock $clock,
    ) {
    }

    /**
     * @return array{Row, ?string} with `PersonRow::COLUMNS`, `gone`, `gone_into`, `version`, `must_change`, `has_password`, `made_at`, `used_at`; and why the caller may not look after their account
     *
     * @throws Problem of type `NotAllowed` or `NotFound`
     */
    public function at(string $person, Caller $caller): array
    {
        if ('staff' !== $caller->kind && !$caller->isAdministrator()) {
            throw Problem::notAllowed('Only staff look people up.');
        }
        $found = $this->db->fetchAssociative('SELECT '.PersonRow::COLUMNS.', p.gone, p.gone_into, p.version, a.must_change, a.made_at, a.used_at, a.password_hash IS NOT NULL AS has_password FROM '.PersonRow::TABLES.' WHERE p.id = ?', [Id::binary($person)]);
        $row = new Row(false === $found ? throw Problem::notFound('This person') : $found);
        $refusal = $this->accounts->refusals([$person], $caller)[$person] ?? null;
        // Whoever is in a site one runs is within reach, whatever their division.
        if (Sight::Full !== $this->directory->reachOf($caller)->sight(PersonRow::person($row), false) && null !== $refusal && !$this->shares($person, $caller)) {
            throw Problem::notFound('This person');
        }

        return [$row, $refusal];
    }

    /**
     * For what only administrators of their division do, and only to those who do not administer anything themselves.
     *
     * @throws Problem of type `NotAllowed` or `NotFound`
     */
    public function administered(string $person, Caller $caller, string $sentence): Row
    {
        [$row, $refusal] = $this->at($person, $caller);
        if (!Accounts::caretaker($caller)->mayClose(PersonRow::person($row))) {
            throw Problem::notAllowed($sentence);
        }
        // One's own facts are anybody's to correct who corrects those of others.
        if (null !== $refusal && 'own-account' !== $refusal) {
            throw Problem::notAllowed(Accounts::sentence($refusal));
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
        return [$person, ...array_map(static fn (mixed $id): string => Id::text(\is_string($id) ? $id : ''), $this->db->fetchFirstColumn("SELECT id FROM person WHERE gone_into = ? AND gone = 'merged'", [Id::binary($person)]))];
    }

    private function shares(string $person, Caller $caller): bool
    {
        $now = Instant::toSql($this->clock->instant());

        return false !== $this->db->fetchOne(
            'SELECT 1 FROM enrollment_segment g JOIN enrollment_segment own ON own.site_id = g.site_id AND own.person_id = ? AND own.from_at <= ? AND own.until_at > ? AND own.state = \'current\' AND own.role IN (?) WHERE g.person_id = ? LIMIT 1',
            [Id::binary($caller->id), $now, $now, $this->roles->book()->holdersOf(Permission::LetIn) ?: [''], Id::binary($person)], [3 => ArrayParameterType::STRING],
        );
    }
}
