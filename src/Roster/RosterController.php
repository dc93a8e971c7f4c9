<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Core\Roles\Permission;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\FromQuery;
use MintDoor\Shared\Id;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

final readonly class RosterController
{
    public function __construct(private Gate $gate, private RosterQuery $roster) {}

    #[Route('/sites/{site}/roster', name: 'roster', requirements: ['site' => Id::PATTERN], methods: ['GET'])]
    public function roster(
        string $site,
        #[CurrentUser] Caller $caller,
        #[FromQuery] RosterFilter $filter = new RosterFilter(),
    ): Response {
        $access = $this->gate
            ->at($site, $caller)
            ->require(Permission::SeeRoster, 'shared.not-see-site');

        return new Answer($this->roster->page($access, $filter));
    }
}
