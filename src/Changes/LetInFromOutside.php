<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Core\Changes\Verb;
use MintDoor\Core\People\PersonVisibility;
use MintDoor\Core\People\Reach;
use MintDoor\Intake\OutsideReach;
use MintDoor\Messages\AccountNews;
use MintDoor\Messages\Notices;
use MintDoor\People\PersonRow;
use MintDoor\People\Repository\Directory;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Repository\Enrollments;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;

/**
 * Letting in people one has nothing to do with: who of them waits for a yes of their division, and that they are told.
 */
final readonly class LetInFromOutside
{
    public function __construct(
        private Enrollments $enrollments,
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
                && !$this->enrollments->ever($access->site->id, $request->person)
            ) {
                throw Problem::notFound('person');
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
     * @param array<int, ComputedLine> $lines that were applied
     */
    public function tell(SiteAccess $access, array $lines): void
    {
        $told = [];
        foreach ($lines as $line) {
            if ($line->outside && !$line->waitsAfter()) {
                $told[] = new AccountNews($line->person, 'let-in-outside', ['site' => $access->row->string('title')]);
            }
        }
        $this->notices->tell($told, $access->caller);
    }
}
