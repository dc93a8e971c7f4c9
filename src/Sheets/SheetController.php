<?php

declare(strict_types=1);

namespace MintDoor\Sheets;

use Doctrine\ORM\EntityManagerInterface;
use MintDoor\Core\Roles\Permission;
use MintDoor\Hall\Answer;
use MintDoor\Hall\Caller;
use MintDoor\Hall\Id;
use MintDoor\Hall\Transaction;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SiteAccess;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

final readonly class SheetController
{
    public function __construct(
        private Gate $gate,
        private SheetHandler $sheets,
        private Transaction $transaction,
    ) {
    }

    /** A change sheet for the people of a site: computed only, or applied at once. */
    #[Route('/sites/{site}/sheets', name: 'make_sheet', requirements: ['site' => Id::PATTERN], methods: ['POST'])]
    public function make(string $site, #[MapRequestPayload] SheetWish $wish, Request $request, #[CurrentUser] Caller $caller): Response
    {
        $line = $wish->lines[0];
        $this->mayChange($this->gate->at($site, $caller), $line);
        if (!$wish->apply) {
            return new Answer(['lines' => [$this->sheets->preview($this->gate->at($site, $caller), $line)]]);
        }

        return $this->transaction->run($request, $caller, [$site], function (EntityManagerInterface $entities) use ($site, $caller, $line): Answer {
            $access = $this->gate->at($site, $caller);
            $this->mayChange($access, $line);

            return new Answer(['lines' => [$this->sheets->apply($entities, $access, $line)]]);
        });
    }

    private function mayChange(SiteAccess $access, LineWish $line): void
    {
        if ('take-out' !== $line->verb || $line->person !== $access->caller->id) {
            $access->require(Permission::LetIn, 'You may not change who is in this site. Its leads and co-tutors can.');
        }
    }
}
