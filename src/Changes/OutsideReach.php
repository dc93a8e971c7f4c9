<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use Doctrine\DBAL\Connection;
use MintDoor\Core\Changes\Verb;
use MintDoor\Core\People\PersonVisibility;
use MintDoor\Core\People\Reach;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Text\Folding;
use MintDoor\People\Directory;
use MintDoor\People\Notices;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Id;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;

/**
 * Letting in people one has nothing to do with: who of them waits for a yes of their division, and that they are told.
 */
final readonly class OutsideReach
{
    public function __construct(
        private Connection $db,
        private Directory $directory,
        private Roles $roles,
        private Notices $notices,
    ) {}

    /**
     * @param array<int, LineRequest> $requests of one site
     * @param array<string, Row>   $people by id
     *
     * @return array<int, bool> lines that let in somebody beyond the caller's reach, and whether they wait; by the same
     *        keys
     *
     * @throws Problem of type `NotFound` for somebody who is hidden and was not named
     */
    public function of(array $requests, array $people, SiteAccess $access): array
    {
        $caller = $access->caller;
        $others = array_filter(
            $requests,
            static fn(LineRequest $request): bool => self::maybe($people[$request->person], $access),
        );
        if ([] === $others) {
            return [];
        }
        $reach = $this->directory->reachOf($caller);
        $outside = [];
        foreach ($others as $key => $request) {
            $row = $people[$request->person];
            $person = PersonRow::person($row);
            if ($reach->within($person)) {
                continue;
            }
            $named = self::named((string) $request->named, $row);
            if (
                PersonVisibility::Hidden === $reach->visibility($person, $named)
                && !$this->wasHere($access->site->id, $request->person)
            ) {
                throw Problem::notFound('This person');
            }
            if (!\in_array($request->verb, [Verb::LetIn->value, Verb::BringBack->value], true)) {
                continue;
            }
            $outside[$key] = $this->roles->rules()->outside($person->division)->waits($person, $reach, $named);
        }

        return $outside;
    }

    /** Whether somebody would wait for a yes of their division, found by what was typed and let in. */
    public function asks(Row $row, string $typed, SiteAccess $access, Reach $reach): bool
    {
        $person = PersonRow::person($row);

        return self::maybe($row, $access)
            && !$reach->within($person)
            && $this->roles->rules()->outside($person->division)->waits($person, $reach, self::named($typed, $row));
    }

    /** Whether somebody may be beyond the caller's reach: of another division, and not an administrator's. */
    private static function maybe(Row $person, SiteAccess $access): bool
    {
        $division = $person->string('person_division');

        return !$access->standing->administrator
            && $division !== $access->site->division
            && !$access->caller->administers($division)
            && $person->id('person_id') !== $access->caller->id;
    }

    /**
     * Whoever was let in at once by somebody they have nothing to do with is told, whatever else is said.
     *
     * @param array<array-key, StoredLine> $lines
     * @param array<int, Row>              $people one a line
     */
    public function tell(SiteAccess $access, array $lines, array $people): void
    {
        $told = [];
        foreach ($lines as $key => $line) {
            if (State::Waiting !== $line->line->after?->state) {
                $told[] = [$people[(int) $key], 'let-in-outside', ['site' => $access->row->string('title')]];
            }
        }
        $this->notices->tell($told, $access->caller);
    }

    /** Whether what was typed names somebody by their number or address in full; their login does not. */
    private static function named(string $typed, Row $person): bool
    {
        $own = array_map(
            Folding::identifier(...),
            array_filter([$person->stringOrNull('number'), $person->stringOrNull('email')]),
        );
        $words = preg_split('/[\s<>,;()"\']+/u', mb_scrub($typed), -1, \PREG_SPLIT_NO_EMPTY) ?: [];

        return [] !== array_intersect($own, array_map(Folding::identifier(...), $words));
    }

    private function wasHere(string $site, string $person): bool
    {
        return false
            !== $this->db->fetchOne('SELECT 1 FROM enrollment WHERE site_id = ? AND person_id = ?', [
                Id::binary($site),
                Id::binary($person),
            ]);
    }
}
