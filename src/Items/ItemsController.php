<?php

declare(strict_types=1);

namespace MintDoor\Items;

use MintDoor\Core\Roles\Permission;
use MintDoor\Roster\Gate;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Expensive;
use MintDoor\Shared\FromQuery;
use MintDoor\Shared\Id;
use MintDoor\Shared\IfMatch;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** What a site has, and who sees it. */
final readonly class ItemsController
{
    private const SITE = ['site' => Id::PATTERN];

    public function __construct(
        private Gate $gate,
        private ItemsQuery $items,
        private ItemsHandler $handler,
        private Transaction $transaction,
    ) {}

    /** For staff all items with who sees them, for others what they see. */
    #[Route('/sites/{site}/items', name: 'items', requirements: self::SITE, methods: ['GET'])]
    public function items(
        string $site,
        #[CurrentUser] Caller $caller,
        #[FromQuery] ItemsFilter $filter = new ItemsFilter(),
    ): Response {
        $answer = $this->items->of($this->gate->at($site, $caller), $filter);

        return (new Answer($answer))->versioned($answer->version);
    }

    #[Expensive]
    #[Route(
        '/sites/{site}/items/{item}/people',
        name: 'item_people',
        requirements: ['site' => Id::PATTERN, 'item' => '[\w.:-]{1,64}'],
        methods: ['GET'],
    )]
    public function people(
        string $site,
        string $item,
        #[CurrentUser] Caller $caller,
        #[FromQuery] ItemsFilter $filter = new ItemsFilter(),
    ): Response {
        $access = $this->gate->at($site, $caller)->require(Permission::SeeUnlisted, 'items.only-staff-people');

        return new Answer($this->items->people($access, $item, $filter));
    }

    /** Says who sees some items: computed only, or at once. */
    #[Route('/sites/{site}/items', name: 'show_items', requirements: self::SITE, methods: ['PUT'])]
    public function show(
        string $site,
        #[MapRequestPayload] ShowItemsRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $access = $this->gate->at($site, $caller);
        ItemsHandler::assertMay($access);
        if (!$body->apply) {
            return new Answer(['lines' => $this->handler->lines($access, $body), 'entry' => null]);
        }

        return $this->transaction->run($request, $caller, [$site], function () use (
            $site,
            $body,
            $request,
            $caller,
        ): Answer {
            $access = $this->gate->at($site, $caller);
            ItemsHandler::assertMay($access);
            IfMatch::of($request)->assert($access->row->int('version'));
            $lines = $this->handler->lines($access, $body);
            $entry = $this->handler->show($access, $body);

            return new Answer(['lines' => $lines, 'entry' => 0 === $entry ? null : $entry]);
        });
    }

    /** Keeps sentences under names. */
    #[Route('/sites/{site}/visibilities', name: 'name_visibilities', requirements: self::SITE, methods: ['PUT'])]
    public function name(
        string $site,
        #[MapRequestPayload] NamedListRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        ItemsHandler::assertMay($this->gate->at($site, $caller));

        return $this->transaction->run($request, $caller, [$site], function () use (
            $site,
            $body,
            $request,
            $caller,
        ): Answer {
            $access = $this->gate->at($site, $caller);
            ItemsHandler::assertMay($access);
            IfMatch::of($request)->assert($access->row->int('version'));
            $this->handler->name($access, $body);
            $answer = $this->items->of($this->gate->at($site, $caller), new ItemsFilter());

            return (new Answer($answer))->versioned($answer->version);
        });
    }
}
