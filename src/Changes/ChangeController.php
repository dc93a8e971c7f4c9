<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Changes\Repository\AppliedLines;
use MintDoor\Core\Changes\Verb;
use MintDoor\Core\Roles\Permission;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Expensive;
use MintDoor\Shared\Id;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

final readonly class ChangeController
{
    private const LET_IN = 'shared.not-change-site-leads';

    public function __construct(
        private Gate $gate,
        private ChangeHandler $changeLists,
        private AppliedLines $lines,
        private Transaction $transaction,
    ) {}

    /** A change list for the people of a site: computed only, or applied at once. */
    #[Expensive(from: 4_096)]
    #[Route(
        '/sites/{site}/change-lists',
        name: 'make_change_list',
        requirements: ['site' => Id::PATTERN],
        methods: ['POST']
    )]
    public function make(
        string $site,
        #[MapRequestPayload] ChangeRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        if (!$body->apply) {
            $access = $this->gate->at($site, $caller);
            $this->mayChange($access, $body);

            return new Answer($this->changeLists->preview($access, $body));
        }

        return $this->transaction->run($request, $caller, [$site], function () use ($site, $caller, $body): Answer {
            $access = $this->gate->at($site, $caller);
            $this->mayChange($access, $body);

            return new Answer($this->changeLists->apply($access, $body));
        });
    }

    /** Takes a whole change list back, or says what that would do; lines that were changed since are left alone. */
    #[Expensive]
    #[Route(
        '/sites/{site}/change-lists/{changeList}/undo',
        name: 'undo_changes',
        requirements: ['site' => Id::PATTERN, 'changeList' => Id::PATTERN],
        methods: ['POST'],
    )]
    public function undo(
        string $site,
        string $changeList,
        #[MapRequestPayload] UndoRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $access = $this->gate->at($site, $caller)->require(Permission::LetIn, self::LET_IN);
        $lines = $this->lines->idsInSite($changeList, $site);
        if ([] === $lines) {
            throw Problem::notFound('change-list');
        }
        if (!$body->apply) {
            return new Answer($this->changeLists->previewUndo($access, $lines));
        }

        return $this->transaction->run(
            $request,
            $caller,
            [$site],
            fn(): Answer => new Answer(
                $this->changeLists->undo(
                    $this->gate->at($site, $caller)->require(Permission::LetIn, self::LET_IN),
                    $lines,
                    $body->removing,
                ),
            ),
        );
    }

    private function mayChange(SiteAccess $access, ChangeRequest $body): void
    {
        $leaving =
            1 === \count($body->lines)
            && 'remove' === $body->lines[0]->verb
            && $body->lines[0]->person === $access->caller->id;
        $needed = array_map(static fn(LineRequest $line): Permission => Verb::from($line->verb)->needs(), $body->lines);
        foreach ($leaving ? [] : array_unique($needed, \SORT_REGULAR) as $permission) {
            $access->require($permission, self::LET_IN);
        }
    }
}
