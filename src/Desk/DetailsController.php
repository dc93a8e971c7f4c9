<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\Roster\Details;
use MintDoor\Roster\PersonGate;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Locks;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/**
 * Details of people that the platform has: of somebody one looks after, and one's own. Those that are sent are written,
 * the others stay; the person's version is for names and addresses, and none of it.
 */
final readonly class DetailsController
{
    public function __construct(
        private Details $details,
        private PersonGate $gate,
        private PersonPage $page,
        private Transaction $transaction,
        private History $history,
        private Locks $locks,
    ) {}

    #[Route(
        '/people/{person}/details',
        name: 'change_details',
        requirements: ['person' => Id::PATTERN],
        methods: ['PUT'],
    )]
    public function change(
        string $person,
        #[MapRequestPayload] DetailsRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $this->transaction->run($request, $caller, [], function () use ($person, $body, $caller): Answer {
            $one = $this->gate->at($person, $caller);
            if (null !== $one->row->stringOrNull('gone')) {
                throw Problem::notFound('person');
            }
            $shown = $this->details->of($one->row, $caller, $one->care->allowed());
            $this->write($person, $this->details->write($person, $shown, $body->values), $caller);
            $page = $this->page->of($person, $caller);

            return (new Answer($page))->versioned($page->version);
        });
    }

    #[Route('/me/details', name: 'own_details', methods: ['GET'])]
    public function own(#[CurrentUser] Caller $caller): Response
    {
        return $this->answer($caller);
    }

    #[Route('/me/details', name: 'change_own_details', methods: ['PUT'])]
    public function changeOwn(
        #[MapRequestPayload] DetailsRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $this->transaction->run($request, $caller, [], function () use ($body, $caller): Answer {
            $this->locks->people([$caller->id], alone: true);
            $shown = $this->details->ofOneself($caller);
            $this->write($caller->id, $this->details->write($caller->id, $shown, $body->values), $caller);

            return $this->answer($caller);
        });
    }

    private function answer(Caller $caller): Answer
    {
        return new Answer(['items' => $this->details->ofOneself($caller)]);
    }

    /** @param list<string> $names of details that are otherwise now */
    private function write(string $person, array $names, Caller $caller): void
    {
        [] === $names
            || $this->history->write(
                History::PLATFORM,
                $caller,
                new Happening('details-changed', ['details' => implode(', ', $names)], $person),
            );
    }
}
