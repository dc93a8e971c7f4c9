<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use Doctrine\DBAL\Connection;
use MintDoor\Core\Changes\Verb;
use MintDoor\Core\People\PersonVisibility;
use MintDoor\Core\People\Reach;
use MintDoor\Core\Roster\State;
use MintDoor\Intake\OutsideReach;
use MintDoor\Messages\Notices;
use MintDoor\People\Directory;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Id;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;

/**
 * Letting in people one has nothing to do with: who of them waits for a yes of their division, and that they are told.
 */
final readonly class LetInFromOutside
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
            static fn(LineRequest $request): bool => OutsideReach::maybe($people[$request->person], $access),
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
            $named = OutsideReach::named((string) $request->named, $row);
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

    private function wasHere(string $site, string $person): bool
    {
        return false
            !== $this->db->fetchOne('SELECT 1 FROM enrollment WHERE site_id = ? AND person_id = ?', [
                Id::binary($site),
                Id::binary($person),
            ]);
    }
}
