<?php

declare(strict_types=1);

namespace MintDoor\Intake;

use MintDoor\Core\Roles\Permission;
use MintDoor\Intake\Entity\SettledLine;
use MintDoor\Intake\Repository\SettledLines;
use MintDoor\Roster\Gate;
use MintDoor\Roster\Sights;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** What is remembered of lines that were settled by hand in a site: looked at, and forgotten. */
final readonly class SettledLineController
{
    private const LET_IN = 'shared.not-let-people-into';

    public function __construct(
        private Gate $gate,
        private SettledLines $settled,
        private Transaction $transaction,
        private Sights $sights,
    ) {}

    #[Route(
        '/sites/{site}/settled-lines',
        name: 'settled_lines',
        requirements: ['site' => Id::PATTERN],
        methods: ['GET'],
    )]
    public function list(string $site, #[CurrentUser] Caller $caller): Response
    {
        return $this->answer($this->gate->at($site, $caller)->require(Permission::LetIn, self::LET_IN));
    }

    #[Route(
        '/sites/{site}/settled-lines',
        name: 'forget_settled_line',
        requirements: ['site' => Id::PATTERN],
        methods: ['DELETE'],
    )]
    public function forget(
        string $site,
        Request $request,
        #[CurrentUser] Caller $caller,
        #[MapQueryParameter] string $gist,
    ): Response {
        $access = $this->gate->at($site, $caller)->require(Permission::LetIn, self::LET_IN);

        return $this->transaction->run($request, $caller, [], function () use ($access, $site, $gist): Answer {
            if (!$this->settled->forget($site, $gist)) {
                throw Problem::notFound('line');
            }

            return $this->answer($access);
        });
    }

    /** Those that mean somebody whom the caller sees. */
    private function answer(SiteAccess $access): Answer
    {
        $lines = $this->settled->list($access->site->id);
        $people = array_map(static fn(SettledLine $line): string => $line->person->id, $lines);
        $seen = $this->sights->among($access, array_values(array_unique($people)));
        $lines = array_filter($lines, static fn(SettledLine $line): bool => \in_array($line->person->id, $seen, true));

        return new Answer([
            'items' => array_map(static fn(SettledLine $line): array => $line->json(), array_values($lines)),
        ]);
    }
}
