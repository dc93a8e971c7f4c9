<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use Doctrine\DBAL\Connection;
use MintDoor\Core\Roles\Permission;
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

final readonly class ChangeController
{
    private const LET_IN = 'You may not change who is in this site. Its leads and co-tutors can.';

    public function __construct(
        private Gate $gate,
        private ChangeHandler $sheets,
        private Connection $db,
        private Transaction $transaction,
    ) {}

    /** A change sheet for the people of a site: computed only, or applied at once. */
    #[Dear(from: 4_096)]
    #[Route('/sites/{site}/sheets', name: 'make_sheet', requirements: ['site' => Id::PATTERN], methods: ['POST'])]
    public function make(
        string $site,
        #[MapRequestPayload] ChangeRequest $wish,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        if (!$wish->apply) {
            $access = $this->gate->at($site, $caller);
            $this->mayChange($access, $wish);

            return new Answer($this->sheets->preview($access, $wish));
        }

        return $this->transaction->run($request, $caller, [$site], function () use ($site, $caller, $wish): Answer {
            $access = $this->gate->at($site, $caller);
            $this->mayChange($access, $wish);

            return new Answer($this->sheets->apply($access, $wish));
        });
    }

    /** Takes a whole sheet back, or says what that would do; lines that were changed since are left alone. */
    #[Dear]
    #[Route(
        '/sites/{site}/sheets/{sheet}/undo',
        name: 'undo_sheet',
        requirements: ['site' => Id::PATTERN, 'sheet' => Id::PATTERN],
        methods: ['POST'],
    )]
    public function undo(
        string $site,
        string $sheet,
        #[MapRequestPayload] UndoRequest $wish,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $access = $this->gate->at($site, $caller)->require(Permission::LetIn, self::LET_IN);
        $lines = array_map(
            static fn(Row $row): string => $row->id('id'),
            Row::all(
                $this->db->fetchAllAssociative(
                    'SELECT id FROM sheet_line WHERE sheet_id = ? AND site_id = ? ORDER BY position DESC',
                    [Id::binary($sheet), Id::binary($site)],
                ),
            ),
        );
        if ([] === $lines) {
            throw Problem::notFound('This sheet');
        }
        if (!$wish->apply) {
            return new Answer($this->sheets->undo($access, $lines, false));
        }

        return $this->transaction->run(
            $request,
            $caller,
            [$site],
            fn(): Answer => new Answer(
                $this->sheets->undo(
                    $this->gate->at($site, $caller)->require(Permission::LetIn, self::LET_IN),
                    $lines,
                    true,
                    $wish->removing,
                ),
            ),
        );
    }

    private function mayChange(SiteAccess $access, ChangeRequest $wish): void
    {
        $leaving =
            1 === \count($wish->lines)
            && 'remove' === $wish->lines[0]->verb
            && $wish->lines[0]->person === $access->caller->id;
        if (!$leaving) {
            $access->require(Permission::LetIn, self::LET_IN);
        }
    }
}
