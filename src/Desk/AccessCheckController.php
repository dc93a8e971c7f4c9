<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Changes\ChangeContextLoader;
use MintDoor\Core\Changes\FixPlanner;
use MintDoor\Core\People\PersonVisibility;
use MintDoor\Core\Roles\Permission;
use MintDoor\People\PersonRow;
use MintDoor\People\Repository\Directory;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Gate;
use MintDoor\Roster\ReasonJson;
use MintDoor\Roster\Repository\Enrollments;
use MintDoor\Roster\RosterQuery;
use MintDoor\Roster\Sights;
use MintDoor\Roster\StandingShown;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Problem;
use MintDoor\Sites\SiteRow;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/**
 * Why somebody can enter a site or cannot, whether they were ever in it or not, and everything that would have to
 * change.
 */
final readonly class AccessCheckController
{
    public function __construct(
        private Enrollments $enrollments,
        private Gate $gate,
        private ChangeContextLoader $contextLoader,
        private FixPlanner $fixPlanner,
        private ReasonJson $reasons,
        private Directory $directory,
        private Roles $roles,
        private RosterQuery $roster,
    ) {}

    #[Route(
        '/sites/{site}/access-check/{person}',
        name: 'why',
        requirements: ['site' => Id::PATTERN, 'person' => Id::PATTERN],
        methods: ['GET'],
    )]
    public function why(string $site, string $person, #[CurrentUser] Caller $caller): Response
    {
        $access = $this->gate
            ->at($site, $caller)
            ->require(
                Permission::SeeUnlisted,
                'desk.only-those-help-run-site',
            );
        $people = $this->contextLoader->people([$person]);
        $context = $this->contextLoader->of($access, $people)->one($person);
        $segment = $context->enrollment->timeline()->at($access->now);
        if (!Sights::of($access)->sees($person, $segment, $this->roles->book())) {
            throw Problem::notFound('person');
        }
        $visibility =
            null === $segment
                ? $this->directory->reachOf($caller)->visibility($context->person, false)
                : $this->roster->visibilityOf($access, $people[$person]);
        if (PersonVisibility::Hidden === $visibility) {
            throw Problem::notFound('person');
        }

        $book = $this->roles->book();

        return new Answer([
            'site' => SiteRow::facts($access->row, $access->now),
            'person' => PersonRow::shown($people[$person], $visibility),
            'standing' => StandingShown::of($segment, $book),
            'reason' => $this->reasons->forStaff($this->fixPlanner->reason($context), $access->standing),
            'suggested' => $access->may(Permission::LetIn)
                ? $book->suggest(
                    $access->standing,
                    $context->person,
                    $access->site,
                    ($book->pick($segment->roles ?? [])[0] ?? null)?->code,
                )
                : null,
            'version' => $this->enrollments->versions($site, [$person])[$person],
        ]);
    }
}
