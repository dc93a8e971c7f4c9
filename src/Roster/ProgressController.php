<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roles\Role;
use MintDoor\Core\Roster\State;
use MintDoor\People\Repository\Directory;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Repository\Standings;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Expensive;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\SecurityLog;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** How far everybody is who works in a site, to be taken away as a file. */
final readonly class ProgressController
{
    public function __construct(
        private Standings $standings,
        private Gate $gate,
        private Roles $roles,
        private WorkMeter $meter,
        private Directory $directory,
        private SecurityLog $log,
        private Sights $sights,
    ) {}

    #[Expensive]
    #[Route('/sites/{site}/progress', name: 'progress', requirements: ['site' => Id::PATTERN], methods: ['GET'])]
    public function progress(
        string $site,
        #[CurrentUser] Caller $caller,
        #[MapQueryParameter] bool $items = false,
        #[MapQueryParameter] bool $gone = false,
    ): Response {
        $access = $this->gate
            ->at($site, $caller)
            ->require(
                Permission::ExportProgress,
                'roster.not-take-progress-site',
            );
        $working = array_values(
            array_map(
                static fn(Role $role): string => $role->code,
                array_filter(
                    $this->roles->book()->all(),
                    static fn(Role $role): bool => \in_array(Permission::DoWork, $role->permissions, true),
                ),
            ),
        );
        $states = $gone
            ? array_map(static fn(State $state): string => $state->value, State::cases())
            : State::valuesHere();
        $reach = $this->directory->reachOf($caller);
        $this->log->note('export', by: $caller->id, site: $site, data: ['what' => 'progress']);
        $people = [];
        $whom = $this->sights->condition($access);
        foreach ($this->standings->listed($site, $states, $working, $access->now, $whom) as $row) {
            $seen = $row->instantOrNull('last_seen_at');
            $work = $this->meter->of($site, $row->id('person_id'), $row->instant('since_at'), $seen);
            $people[] = [
                'person' => ['id' => $row->id('person_id'), 'name' => $row->string('sort_name')],
                // Beyond one's reach a number is nobody's to take away.
                'number' =>
                    $reach->everything || \in_array($row->string('division'), $reach->divisions, true)
                        ? $row->stringOrNull('number')
                        : null,
                'level' => $row->intOrNull('level'),
                'state' => $row->string('state'),
                'role' => $row->string('role'),
                'lastSeen' => null === $seen ? null : Instant::toJson($seen),
                'done' => $work->done(),
                'mean' => $work->mean(),
                'items' => $items ? $work->items : [],
            ];
        }

        return new Answer(['items' => $this->meter->items($site), 'people' => $people]);
    }
}
