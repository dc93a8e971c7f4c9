<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Core\Roles\Permission;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\IfMatch;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** The sections of a site. Who is in them is changed by change lists. */
final readonly class SectionsController
{
    public function __construct(
        private Gate $gate,
        private SectionsQuery $sections,
        private SectionsHandler $handler,
        private Transaction $transaction,
    ) {}

    #[Route('/sites/{site}/sections', name: 'sections', requirements: ['site' => Id::PATTERN], methods: ['GET'])]
    public function sections(string $site, #[CurrentUser] Caller $caller): Response
    {
        $access = $this->gate->at($site, $caller)->require(Permission::SeeUnlisted, 'roster.only-staff-sections');

        return $this->answer($access);
    }

    #[Route('/sites/{site}/sections', name: 'put_sections', requirements: ['site' => Id::PATTERN], methods: ['PUT'])]
    public function put(
        string $site,
        #[MapRequestPayload] SectionsRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        SectionsHandler::assertMay($this->gate->at($site, $caller));

        return $this->transaction->run($request, $caller, [$site], function () use (
            $site,
            $body,
            $request,
            $caller,
        ): Answer {
            $access = $this->gate->at($site, $caller);
            SectionsHandler::assertMay($access);
            IfMatch::of($request)->assert($access->row->int('version'));
            $entry = $this->handler->change($access, $body);

            return $this->answer($this->gate->at($site, $caller), 0 === $entry ? null : $entry);
        });
    }

    private function answer(SiteAccess $access, ?int $entry = null): Answer
    {
        $answer = $this->sections->of($access, $entry);

        return (new Answer($answer))->versioned($answer->version);
    }
}
