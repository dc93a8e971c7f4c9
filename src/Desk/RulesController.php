<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use Doctrine\DBAL\Connection;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roles\RuleLaws;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Roles\RulesCodec;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Dear;
use MintDoor\Shared\IfMatch;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** The rules of the platform: read by staff, changed by its administrators. */
final readonly class RulesController
{
    private const CHANGES = 'Only a platform administrator changes the rules.';

    public function __construct(
        private Connection $db,
        private Roles $roles,
        private RulesHandler $handler,
        private Transaction $transaction,
    ) {}

    /** The rules as they are, or as they were in an earlier version. */
    #[Route('/rules', name: 'rules', methods: ['GET'])]
    public function rules(#[CurrentUser] Caller $caller, #[MapQueryParameter] ?int $version = null): Response
    {
        if ('staff' !== $caller->kind && !$caller->isAdministrator()) {
            throw Problem::notAllowed('The rules are for staff. What you may do in a site is said there.');
        }
        $row = $this->db->fetchAssociative(
            <<<'SQL'
                SELECT b.version, b.made_at, b.settings, p.given_name, p.family_name, p.preferred_name
                FROM rule_book b
                LEFT JOIN person p ON p.id = b.made_by
                WHERE b.version = ?
                SQL,
            [$version ?? $this->roles->version()],
        );
        $row = new Row(false === $row ? throw Problem::notFound('This version of the rules') : $row);

        return (new Answer([
            'version' => $row->int('version'),
            'madeAt' => Instant::toJson($row->instant('made_at')),
            'madeBy' => null === $row->stringOrNull('family_name') ? null : PersonRow::name($row),
            'mayChange' => $caller->platformAdministrator,
            'rules' => RulesCodec::write(RulesCodec::read($row->json('settings'))),
            'permissions' => array_map(
                static fn(Permission $permission): array => [
                    'code' => $permission->value,
                    'needs' => array_map(static fn(Permission $needed): string => $needed->value, $permission->needs()),
                ],
                Permission::cases(),
            ),
            'standards' => RuleLaws::STANDARDS,
        ]))->versioned($row->int('version'));
    }

    #[Dear]
    #[Route('/rules', name: 'change_rules', methods: ['PUT'])]
    public function change(
        #[MapRequestPayload] RulesRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        if (!$caller->platformAdministrator) {
            throw Problem::notAllowed(self::CHANGES);
        }
        $after = $this->handler->read($body);
        if (!$body->apply) {
            return new Answer([...$this->handler->preview($after), 'version' => $this->roles->version()]);
        }

        return $this->transaction->run(
            $request,
            $caller,
            [],
            fn(): Answer => new Answer(
                $this->handler->apply($after, $caller, static fn(int $version) => IfMatch::check($request, $version)),
            ),
        );
    }
}
