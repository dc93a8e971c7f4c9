<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\Roles\Permission;
use MintDoor\History\HistoryFilter;
use MintDoor\Roster\Gate;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\FromQuery;
use MintDoor\Shared\Id;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/**
 * What happened, newest first: in a site, to a person, to the platform. Each change of a site can be taken back from
 * its entry.
 */
final readonly class HistoryController
{
    public function __construct(
        private Gate $gate,
        private Transaction $transaction,
        private HistoryQuery $history,
        private UndoEntry $takeBack,
    ) {}

    #[Route('/sites/{site}/history', name: 'history', requirements: ['site' => Id::PATTERN], methods: ['GET'])]
    public function ofSite(
        string $site,
        #[CurrentUser] Caller $caller,
        #[FromQuery] HistoryFilter $filter = new HistoryFilter(),
    ): Response {
        $access = $this->gate
            ->at($site, $caller)
            ->require(Permission::SeeHistory, 'desk.only-those-let-people-into');

        return new Answer($this->history->ofSite($access, $filter));
    }

    /** What happened to a person in all sites whose history the caller reads. */
    #[Route(
        '/people/{person}/history',
        name: 'history_of_person',
        requirements: ['person' => Id::PATTERN],
        methods: ['GET'],
    )]
    public function ofPerson(
        string $person,
        #[CurrentUser] Caller $caller,
        #[FromQuery] HistoryFilter $filter = new HistoryFilter(),
    ): Response {
        return new Answer($this->history->ofPerson($person, $caller, $filter));
    }

    #[Route('/platform/history', name: 'history_of_platform', methods: ['GET'])]
    public function ofPlatform(
        #[CurrentUser] Caller $caller,
        #[FromQuery] HistoryFilter $filter = new HistoryFilter(),
    ): Response {
        $caller->mustAdministerPlatform('desk.only-platform-administrators-read');

        return new Answer($this->history->ofPlatform($filter));
    }

    #[Route(
        '/sites/{site}/history/{sequence}/undo',
        name: 'undo',
        requirements: ['site' => Id::PATTERN, 'sequence' => '[1-9]\d{0,8}'],
        methods: ['POST'],
    )]
    public function undo(string $site, int $sequence, Request $request, #[CurrentUser] Caller $caller): Response
    {
        $this->gate
            ->at($site, $caller)
            ->require(Permission::SeeHistory, 'desk.only-those-let-people-into-site');

        return $this->transaction->run(
            $request,
            $caller,
            [$site],
            fn(): Answer => new Answer(
                $this->takeBack->entry($this->gate->at($site, $caller), $sequence),
            ),
        );
    }
}
