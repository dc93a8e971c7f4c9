<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\Roles\Limits;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roles\RuleLaws;
use MintDoor\Roles\Repository\RuleBooks;
use MintDoor\Roles\Roles;
use MintDoor\Roles\RulesCodec;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Expensive;
use MintDoor\Shared\IfMatch;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Problem;
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
    private const CHANGES = 'desk.only-platform-administrator-changes';

    public function __construct(
        private RuleBooks $books,
        private Roles $roles,
        private RulesHandler $handler,
        private Transaction $transaction,
    ) {}

    /** The rules as they are, or as they were in an earlier version. */
    #[Route('/rules', name: 'rules', methods: ['GET'])]
    public function rules(#[CurrentUser] Caller $caller, #[MapQueryParameter] ?int $version = null): Response
    {
        if ('staff' !== $caller->kind && !$caller->isAdministrator()) {
            throw Problem::notAllowed('desk.rules-staff-what-site');
        }
        $book = $this->books->find($version ?? $this->roles->version());
        if (null === $book) {
            throw Problem::notFound('rules-version');
        }

        return (new Answer([
            'version' => $book->version,
            'madeAt' => Instant::toJson($book->madeAt),
            'madeBy' => $book->madeBy?->name(),
            'mayChange' => $caller->platformAdministrator,
            'rules' => RulesCodec::write(RulesCodec::read($book->settings)),
            'permissions' => array_map(
                static fn(Permission $permission): array => [
                    'code' => $permission->value,
                    'needs' => array_map(static fn(Permission $needed): string => $needed->value, $permission->needs()),
                ],
                Permission::cases(),
            ),
            'standards' => RuleLaws::STANDARDS,
            'usualLimits' => get_object_vars(new Limits()),
        ]))->versioned($book->version);
    }

    #[Expensive]
    #[Route('/rules', name: 'change_rules', methods: ['PUT'])]
    public function change(
        #[MapRequestPayload] RulesRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $caller->mustAdministerPlatform(self::CHANGES);
        $after = $this->handler->read($body);
        if (!$body->apply) {
            return new Answer($this->handler->preview($after));
        }

        return $this->transaction->run(
            $request,
            $caller,
            [],
            fn(): Answer => new Answer(
                $this->handler->apply($after, $caller, IfMatch::of($request)),
            ),
        );
    }
}
