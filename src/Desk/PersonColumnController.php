<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\Roles\Permission;
use MintDoor\Roster\Gate;
use MintDoor\Roster\Sights;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** One person in a site, as the column beside the roster shows them. */
final readonly class PersonColumnController
{
    public function __construct(private Gate $gate, private PersonCard $card, private Sights $sights) {}

    #[Route(
        '/sites/{site}/roster/{person}',
        name: 'person_card',
        requirements: ['site' => Id::PATTERN, 'person' => Id::PATTERN],
        methods: ['GET'],
    )]
    public function person(string $site, string $person, #[CurrentUser] Caller $caller): Response
    {
        $access = $this->gate->at($site, $caller);
        if ($person !== $access->caller->id) {
            $access
                ->require(Permission::SeeRoster, 'shared.not-see-site')
                ->require(
                    Permission::SeeUnlisted,
                    'desk.only-those-help-run',
                );
            $this->sights->assertSees($access, $person);
        }
        $card = $this->card->of($access, $person);

        return (new Answer($card))->versioned($card->version);
    }
}
