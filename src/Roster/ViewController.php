<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\ParameterType;
use MintDoor\Core\Roles\Permission;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Ids;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** What somebody likes to look at in a site's roster, kept under names of their own. */
final readonly class ViewController
{
    private const MOST = 30;

    public function __construct(
        private Connection $db,
        private Gate $gate,
        private Ids $ids,
        private Transaction $transaction,
    ) {}

    #[Route('/sites/{site}/views', name: 'views', requirements: ['site' => Id::PATTERN], methods: ['GET'])]
    public function views(string $site, #[CurrentUser] Caller $caller): Response
    {
        $this->mine($site, $caller);

        return $this->answer($site, $caller);
    }

    /** Keeps a view; one of the same name is replaced. */
    #[Route('/sites/{site}/views', name: 'keep_view', requirements: ['site' => Id::PATTERN], methods: ['PUT'])]
    public function keep(
        string $site,
        #[MapRequestPayload] ViewRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $this->mine($site, $caller);

        return $this->transaction->run($request, $caller, [], function () use ($site, $body, $caller): Answer {
            $kept = $this->db->fetchOne(
                'SELECT COUNT(*) FROM saved_view WHERE person_id = ? AND site_id = ? AND name <> ?',
                [Id::binary($caller->id), Id::binary($site), $body->name()],
            );
            if (is_numeric($kept) && $kept >= self::MOST) {
                throw Problem::field('/name', 'too-many', 'You keep 30 views here already. Forget one of them first.');
            }
            $this->db->executeStatement(
                <<<'SQL'
                    INSERT INTO saved_view (id, person_id, site_id, name, view)
                    VALUES (?, ?, ?, ?, ?)
                    ON DUPLICATE KEY UPDATE name = VALUES(name), view = VALUES(view)
                    SQL,
                [
                    Id::binary($this->ids->next()),
                    Id::binary($caller->id),
                    Id::binary($site),
                    $body->name(),
                    $body->view,
                ],
                [ParameterType::BINARY, ParameterType::BINARY, ParameterType::BINARY],
            );

            return $this->answer($site, $caller);
        });
    }

    #[Route(
        '/sites/{site}/views/{view}',
        name: 'forget_view',
        requirements: ['site' => Id::PATTERN, 'view' => Id::PATTERN],
        methods: ['DELETE'],
    )]
    public function forget(string $site, string $view, Request $request, #[CurrentUser] Caller $caller): Response
    {
        $this->mine($site, $caller);

        return $this->transaction->run($request, $caller, [], function () use ($site, $view, $caller): Answer {
            $this->db->executeStatement('DELETE FROM saved_view WHERE id = ? AND person_id = ? AND site_id = ?', [
                Id::binary($view),
                Id::binary($caller->id),
                Id::binary($site),
            ]);

            return $this->answer($site, $caller);
        });
    }

    private function mine(string $site, Caller $caller): void
    {
        $this->gate->at($site, $caller)->require(Permission::SeeRoster, 'You may not see who is in this site.');
    }

    private function answer(string $site, Caller $caller): Answer
    {
        return new Answer([
            'items' => array_map(
                static fn(Row $row): array => [
                    'id' => $row->id('id'),
                    'name' => $row->string('name'),
                    'view' => $row->string('view'),
                ],
                Row::all(
                    $this->db->fetchAllAssociative(
                        'SELECT id, name, view FROM saved_view WHERE person_id = ? AND site_id = ? ORDER BY name',
                        [Id::binary($caller->id), Id::binary($site)],
                    ),
                ),
            ),
        ]);
    }
}
