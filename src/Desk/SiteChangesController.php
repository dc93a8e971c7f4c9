<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use MintDoor\Core\Roles\Permission;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Dear;
use MintDoor\Shared\Problem;
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
        private Connection $db,
        private Gate $gate,
        private SiteHandler $handler,
        private UndoEntry $takeBack,
        private Transaction $transaction,
    ) {}

    #[Dear]
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
            fn(EntityManagerInterface $entities, SiteAccess $access): int => $this->handler->changeLine(
                $entities,
                $access->require(Permission::RunSite, 'Only its leads and administrators may do this.'),
                $body,
            ),
        );
    }

    #[Dear]
    #[Route('/site-changes/undo', name: 'undo_site_changes', methods: ['POST'])]
    public function undo(
        #[MapRequestPayload] SiteChangesUndo $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $entries = array_column($body->entries, 'entry', 'site');

        return $this->each($request, $caller, array_keys($entries), true, function (
            EntityManagerInterface $entities,
            SiteAccess $access,
        ) use ($entries): int {
            $undone = $this->takeBack->entry($entities, $access, $entries[$access->site->id])['entry'];

            return \is_int($undone) ? $undone : 0;
        });
    }

    /**
     * Does something to each of some sites; what cannot be done to one leaves the others alone. A change list that is
     * only looked at is made in the same way and then forgotten.
     *
     * @param list<string>                                        $sites ids
     * @param callable(EntityManagerInterface, SiteAccess): int $work  answers the sequence number of the history's
     *     entry, 0 when nothing changed
     */
    private function each(Request $request, Caller $caller, array $sites, bool $apply, callable $work): Answer
    {
        sort($sites);

        return $this->transaction->run($request, $caller, $sites, function (EntityManagerInterface $entities) use (
            $caller,
            $sites,
            $apply,
            $work,
        ): Answer {
            $lines = [];
            foreach ($sites as $id) {
                $access = $this->gate->at($id, $caller);
                $line = [
                    'site' => [
                        'id' => $id,
                        'title' => $access->row->string('title'),
                        'timeZone' => $access->row->string('time_zone'),
                    ],
                    'verdict' => 'ready',
                    'reason' => null,
                    'entry' => null,
                ];
                $this->db->beginTransaction();
                try {
                    $entry = $work($entities, $access);
                    $entities->flush();
                    $apply ? $this->db->commit() : $this->db->rollBack();
                    $lines[] = [
                        ...$line,
                        'verdict' => 0 === $entry ? 'nothing-to-do' : 'ready',
                        'entry' => $apply && 0 !== $entry ? $entry : null,
                    ];
                } catch (Problem $problem) {
                    $this->db->rollBack();
                    $lines[] = [
                        ...$line,
                        'verdict' => 'refused',
                        'reason' => ['detail' => $problem->detail, 'line' => $problem->more['line'] ?? null],
                    ];
                }
                // What a line that was left out did to entities must not be written with the next.
                $entities->clear();
            }

            return new Answer(['lines' => $lines]);
        });
    }
}
