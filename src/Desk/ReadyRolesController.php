<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\Platform\Division;
use MintDoor\Core\Roles\ReadySet;
use MintDoor\Platform\Repository\Divisions;
use MintDoor\Roles\RulesCodec;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Items;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Roles to begin with, in the language of whoever asks. They hold once they are put into the rules. */
final readonly class ReadyRolesController
{
    public function __construct(private ReadyWords $words, private Divisions $divisions) {}

    #[Route('/ready-roles', name: 'ready_roles', methods: ['GET'])]
    public function sets(#[CurrentUser] Caller $caller): Response
    {
        $caller->mustAdministerPlatform('desk.only-platform-administrator-changes');
        $minors = array_column(
            array_filter(
                $this->divisions->tree()->all(),
                static fn(Division $division): bool => $division->minors && !$division->retired,
            ),
            'code',
        );

        return new Answer(new Items(array_map(
            fn(ReadySet $set): array => [
                'set' => $set->value,
                'roles' => RulesCodec::writeRoles($this->words->roles($set, $minors)),
            ],
            ReadySet::cases(),
        )));
    }
}
