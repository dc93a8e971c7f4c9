<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Core\Roles\Permission;
use MintDoor\Messages\Budgets;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Dear;
use MintDoor\Shared\Id;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Invitations through one door: who, sent again, taken back. */
final readonly class InvitationController
{
    private const DOOR = ['site' => Id::PATTERN, 'door' => Id::PATTERN];

    public function __construct(
        private Gate $gate,
        private Doors $doors,
        private Invitations $invitations,
        private Transaction $transaction,
        private Budgets $budgets,
    ) {}

    #[Route('/sites/{site}/doors/{door}/invitations', name: 'invitations', requirements: self::DOOR, methods: ['GET'])]
    public function all(string $site, string $door, #[CurrentUser] Caller $caller): Response
    {
        return new Answer(['items' => $this->invitations->of($this->at($site, $door, $caller)[1])]);
    }

    /** Says whom lines mean, and with `apply` invites them. */
    #[Dear]
    #[Route('/sites/{site}/doors/{door}/invitations', name: 'invite', requirements: self::DOOR, methods: ['POST'])]
    public function invite(
        string $site,
        string $door,
        #[MapRequestPayload] InviteRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        if (!$body->apply) {
            $plan = $this->invitations->plan(...[...$this->at($site, $door, $caller), $body]);

            return new Answer(['items' => $plan, 'invited' => 0, 'left' => $this->budgets->left($caller->id)]);
        }

        return $this->transaction->run($request, $caller, [$site], function () use (
            $site,
            $door,
            $body,
            $caller,
        ): Answer {
            [$access, $row] = $this->at($site, $door, $caller);
            if ('open' !== $row->string('state')) {
                throw Problem::notAllowed('This door is shut. Open it before you invite anybody through it.');
            }
            $this->doors->assertMayGive($access, $row);
            $plan = $this->invitations->plan($access, $row, $body);

            $invited = $this->invitations->invite($access, $row, $plan, $body->words);

            return new Answer(['items' => $plan, 'invited' => $invited, 'left' => $this->budgets->left($caller->id)]);
        });
    }

    #[Dear]
    #[Route(
        '/sites/{site}/doors/{door}/invitations/again',
        name: 'invite_again',
        requirements: self::DOOR,
        methods: ['POST'],
    )]
    public function again(
        string $site,
        string $door,
        #[MapRequestPayload] ChosenInvitations $chosen,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $this->transaction->run($request, $caller, [$site], function () use (
            $site,
            $door,
            $chosen,
            $caller,
        ): Answer {
            [$access, $row] = $this->at($site, $door, $caller);
            $this->doors->assertMayGive($access, $row);

            return new Answer([
                'done' => $this->invitations->again($access, $row, $chosen->all ? null : $chosen->invitations),
            ]);
        });
    }

    #[Route(
        '/sites/{site}/doors/{door}/invitations/withdraw',
        name: 'withdraw_invitations',
        requirements: self::DOOR,
        methods: ['POST'],
    )]
    public function withdraw(
        string $site,
        string $door,
        #[MapRequestPayload] ChosenInvitations $chosen,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $this->transaction->run(
            $request,
            $caller,
            [$site],
            fn(): Answer => new Answer([
                'done' => $this->invitations->withdraw(
                    ...[...$this->at($site, $door, $caller), $chosen->all ? null : $chosen->invitations],
                ),
            ]),
        );
    }

    /** @return array{SiteAccess, Row} */
    private function at(string $site, string $door, Caller $caller): array
    {
        $access = $this->gate->at($site, $caller)->require(Permission::KeepDoors, DoorController::NEEDS);
        $row = $this->doors->row($access, $door);

        return [
            $access,
            'invitation' === $row->string('kind')
                ? $row
                : throw Problem::notAllowed('Only a door for invitations has invitations.'),
        ];
    }
}
