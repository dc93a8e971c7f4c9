<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Changes\SiteInZone;
use MintDoor\Core\Roles\Permission;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Expensive;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Speech;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/**
 * One change for many sites, as a change list: each line holds or is left out by itself, and all of it is taken back as
 * one.
 */
final readonly class SiteChangesController
{
    public function __construct(
        private Gate $gate,
        private SiteHandler $handler,
        private UndoEntry $takeBack,
        private Transaction $transaction,
        private Speech $speech,
    ) {}

    #[Expensive]
    #[Route('/site-changes', name: 'make_site_changes', methods: ['POST'])]
    public function make(
        #[MapRequestPayload] SiteChangesRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $this->each(
            $request,
            $caller,
            $body->sites,
            $body->apply,
            fn(SiteAccess $access): int => $this->handler->changeLine(
                $access->require(Permission::RunSite, 'desk.only-leads-administrators'),
                $body,
            ),
        );
    }

    #[Expensive]
    #[Route('/site-changes/undo', name: 'undo_site_changes', methods: ['POST'])]
    public function undo(
        #[MapRequestPayload] SiteChangesUndo $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $entries = array_column($body->entries, 'entry', 'site');

        return $this->each($request, $caller, array_keys($entries), true, function (SiteAccess $access) use (
            $entries,
        ): int {
            return $this->takeBack->entry($access, $entries[$access->site->id])->entry ?? 0;
        });
    }

    /**
     * Does something to each of some sites; what cannot be done to one leaves the others alone. A change list that is
     * only looked at is made in the same way and then forgotten.
     *
     * @param list<string>              $sites ids
     * @param \Closure(SiteAccess): int $work  answers the sequence number of the history's entry, 0 when nothing
     *     changed
     */
    private function each(Request $request, Caller $caller, array $sites, bool $apply, \Closure $work): Answer
    {
        sort($sites);

        return $this->transaction->run($request, $caller, $sites, function () use (
            $caller,
            $sites,
            $apply,
            $work,
        ): Answer {
            $lines = [];
            foreach ($sites as $id) {
                $access = $this->gate->at($id, $caller);
                $site = new SiteInZone($id, $access->row->string('title'), $access->row->string('time_zone'));
                try {
                    $entry = $this->transaction->attempt($apply, static fn(): int => $work($access));
                    $verdict = 0 === $entry ? 'nothing-to-do' : 'ready';
                    $lines[] = new SiteChangeLine($site, $verdict, null, $apply && 0 !== $entry ? $entry : null);
                } catch (Problem $problem) {
                    $reason = ['detail' => $this->speech->say(
                        $problem->said
                    ), 'line' => $problem->more['line'] ?? null];
                    $lines[] = new SiteChangeLine($site, 'refused', $reason, null);
                }
            }

            return new Answer(['lines' => $lines]);
        });
    }
}
