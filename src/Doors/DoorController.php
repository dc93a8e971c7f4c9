<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Core\Roles\Permission;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Expensive;
use MintDoor\Shared\Id;
use MintDoor\Shared\IfMatch;
use MintDoor\Shared\Items;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Doors of a site, for those who keep them. */
final readonly class DoorController
{
    public const NEEDS = 'doors.not-keep-doors-site';

    private const DOOR = ['site' => Id::PATTERN, 'door' => Id::PATTERN];

    public function __construct(
        private Gate $gate,
        private Doors $doors,
        private DoorList $list,
        private DoorReach $reach,
        private Arrivals $arrivals,
        private DoorDays $days,
        private Transaction $transaction,
    ) {}

    #[Route('/sites/{site}/doors', name: 'doors', requirements: ['site' => Id::PATTERN], methods: ['GET'])]
    public function all(string $site, #[CurrentUser] Caller $caller): Response
    {
        return new Answer(new Items($this->list->of($this->access($site, $caller))));
    }

    #[Route('/sites/{site}/doors', name: 'make_door', requirements: ['site' => Id::PATTERN], methods: ['POST'])]
    public function make(
        string $site,
        #[MapRequestPayload] DoorRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $this->transaction->run($request, $caller, [$site], function () use ($site, $body, $caller): Answer {
            $access = $this->access($site, $caller);

            return $this->one($access, $this->doors->make($access, $body), Response::HTTP_CREATED);
        });
    }

    #[Route('/sites/{site}/doors/{door}', name: 'change_door', requirements: self::DOOR, methods: ['PUT'])]
    public function change(
        string $site,
        string $door,
        #[MapRequestPayload] DoorRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $this->transaction->run($request, $caller, [$site], function () use (
            $site,
            $door,
            $body,
            $request,
            $caller,
        ): Answer {
            $access = $this->access($site, $caller);
            $this->doors->change($access, $door, $body, IfMatch::of($request));

            return $this->one($access, $door);
        });
    }

    #[Route('/sites/{site}/doors/{door}/days', name: 'door_days', requirements: self::DOOR, methods: ['GET'])]
    public function days(string $site, string $door, #[CurrentUser] Caller $caller): Response
    {
        return new Answer($this->days->of($this->access($site, $caller), $door));
    }

    #[Route('/sites/{site}/doors/{door}/open', name: 'open_door', requirements: self::DOOR, methods: ['PUT', 'DELETE'])]
    public function open(string $site, string $door, Request $request, #[CurrentUser] Caller $caller): Response
    {
        return $this->transaction->run($request, $caller, [$site], function () use (
            $site,
            $door,
            $request,
            $caller,
        ): Answer {
            $access = $this->access($site, $caller);
            $request->isMethod('PUT') ? $this->doors->open($access, $door) : $this->doors->shut($access, $door);

            return $this->one($access, $door);
        });
    }

    #[Route('/sites/{site}/doors/{door}/key', name: 'renew_key', requirements: self::DOOR, methods: ['POST'])]
    public function renew(string $site, string $door, Request $request, #[CurrentUser] Caller $caller): Response
    {
        return $this->transaction->run($request, $caller, [$site], function () use ($site, $door, $caller): Answer {
            $access = $this->access($site, $caller);
            $this->doors->renew($access, $door);

            return $this->one($access, $door);
        });
    }

    /** How many could come through. Changes nothing. */
    #[Expensive]
    #[Route('/sites/{site}/door-reach', name: 'door_reach', requirements: ['site' => Id::PATTERN], methods: ['POST'])]
    public function reach(string $site, #[MapRequestPayload] DoorRequest $body, #[CurrentUser] Caller $caller): Response
    {
        return new Answer($this->reach->of($this->access($site, $caller), $body));
    }

    /** Who comes in just now, and who stands before the door and gets no further. */
    #[Route('/sites/{site}/arrivals', name: 'arrivals', requirements: ['site' => Id::PATTERN], methods: ['GET'])]
    public function arrivals(string $site, #[CurrentUser] Caller $caller): Response
    {
        return new Answer($this->arrivals->of($this->access($site, $caller)));
    }

    private function access(string $site, Caller $caller): SiteAccess
    {
        return $this->gate->at($site, $caller)->require(Permission::KeepDoors, self::NEEDS);
    }

    private function one(SiteAccess $access, string $door, int $status = 200): Answer
    {
        $shown = $this->list->of($access, $door)[0];

        return (new Answer($shown, $status))->versioned($shown->version);
    }
}
