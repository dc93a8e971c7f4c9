<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use MintDoor\Core\Messages\MessageKind;
use MintDoor\Core\Roles\Permission;
use MintDoor\People\PersonRow;
use MintDoor\Roster\Gate;
use MintDoor\Roster\RosterQuery;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Ids;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Words to people of a site: to a group, to those chosen in the roster. Each gets a message of their own. */
final readonly class WritingController
{
    public function __construct(
        private Gate $gate,
        private RosterQuery $roster,
        private SiteLetters $letters,
        private Transaction $transaction,
        private Ids $ids,
    ) {}

    #[Route(
        '/sites/{site}/letters',
        name: 'write_to_people',
        requirements: ['site' => Id::PATTERN],
        methods: ['POST'],
    )]
    public function write(
        string $site,
        #[MapRequestPayload] WrittenRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $this->access($site, $caller);

        return $this->transaction->run($request, $caller, [], function () use ($site, $body, $caller): Answer {
            $access = $this->access($site, $caller);
            $people = $this->roster->among($access, $body->people);
            $cause = 'written:'.$this->ids->next();
            $letters = $without = [];
            foreach ($people as $id => $row) {
                $address = $row->stringOrNull('email');
                if (null === $address) {
                    $without[] = PersonRow::name($row);
                } else {
                    $letters[] = new SiteLetter($address, $row, "$cause:$id", trim($body->words));
                }
            }
            $this->letters->send(MessageKind::Written, $access, '', $letters, $caller);

            return new Answer(
                new WrittenAnswer(\count($letters), $without, \count($body->people) - \count($people)),
            );
        });
    }

    private function access(string $site, Caller $caller): SiteAccess
    {
        return $this->gate->at($site, $caller)->require(
            Permission::WriteToPeople,
            'messages.not-write-people-site',
        );
    }
}
