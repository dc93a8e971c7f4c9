<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use MintDoor\Core\Roles\Permission;
use MintDoor\Groups\Entity\GroupSplit;
use MintDoor\Groups\Repository\Splits;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Expensive;
use MintDoor\Shared\Id;
use MintDoor\Shared\IfMatch;
use MintDoor\Shared\Items;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** The ways in which a site's people are divided into groups. */
final readonly class SplitsController
{
    private const ALL = '/sites/{site}/group-splits';

    private const ONE = '/sites/{site}/group-splits/{split}';

    private const SITE = ['site' => Id::PATTERN];

    private const BOTH = ['site' => Id::PATTERN, 'split' => Id::PATTERN];

    public function __construct(
        private Gate $gate,
        private Splits $splits,
        private SplitsQuery $query,
        private SplitsHandler $handler,
        private GroupMoves $moves,
        private GroupLines $lines,
        private GroupLetters $letters,
        private Transaction $transaction,
    ) {}

    #[Route(self::ALL, name: 'splits', requirements: self::SITE, methods: ['GET'])]
    public function all(string $site, #[CurrentUser] Caller $caller): Response
    {
        return new Answer(new Items($this->query->all($this->access($site, $caller))));
    }

    /** Also one that was put away, as a page that shows it still asks. */
    #[Route(self::ONE, name: 'split', requirements: self::BOTH, methods: ['GET'])]
    public function one(string $site, string $split, #[CurrentUser] Caller $caller): Response
    {
        $access = $this->access($site, $caller);
        $found = $this->splits->one($site, $split) ?? throw Problem::notFound('split');

        return $this->answer($access, $found);
    }

    #[Route(self::ALL, name: 'make_split', requirements: self::SITE, methods: ['POST'])]
    public function make(
        string $site,
        #[MapRequestPayload] NewSplitRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        SplitsHandler::assertMayChange($this->access($site, $caller));

        return $this->transaction->run($request, $caller, [$site], function () use ($site, $body, $caller): Answer {
            $access = $this->access($site, $caller);
            SplitsHandler::assertMayChange($access);
            [$made, $list] = $this->handler->make($access, $body);
            $this->splits->flush();

            return $this->answer($access, $made, $list);
        });
    }

    #[Route(self::ONE, name: 'put_split', requirements: self::BOTH, methods: ['PUT'])]
    public function put(
        string $site,
        string $split,
        #[MapRequestPayload] SplitRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $work = function (SiteAccess $access, GroupSplit $found) use ($body, $request): ?string {
            self::assertThere($found);
            IfMatch::of($request)->assert($found->version);

            return $this->handler->change($access, $found, $body);
        };

        return $this->changed($site, $split, $request, $caller, $work);
    }

    #[Route(self::ONE, name: 'drop_split', requirements: self::BOTH, methods: ['DELETE'])]
    public function drop(string $site, string $split, Request $request, #[CurrentUser] Caller $caller): Response
    {
        return $this->changed($site, $split, $request, $caller, function (SiteAccess $access, GroupSplit $found): null {
            self::assertThere($found);
            $this->handler->drop($access, $found);

            return null;
        });
    }

    #[Route(self::ONE.'/back', name: 'bring_split_back', requirements: self::BOTH, methods: ['POST'])]
    public function back(string $site, string $split, Request $request, #[CurrentUser] Caller $caller): Response
    {
        return $this->changed($site, $split, $request, $caller, function (SiteAccess $access, GroupSplit $found): null {
            $this->handler->back($access, $found);

            return null;
        });
    }

    /** Writes to those who have chosen no group, while it is open. */
    #[Route(self::ONE.'/reminders', name: 'remind_to_choose', requirements: self::BOTH, methods: ['POST'])]
    public function remind(string $site, string $split, Request $request, #[CurrentUser] Caller $caller): Response
    {
        return $this->changed($site, $split, $request, $caller, function (SiteAccess $access, GroupSplit $found): null {
            self::assertThere($found);
            $this->letters->remind($access, $found);

            return null;
        });
    }

    /** What was moved in one sitting: those moves that can be made, as one change list. */
    #[Route(self::ONE.'/moves', name: 'move_in_split', requirements: self::BOTH, methods: ['POST'])]
    public function move(
        string $site,
        string $split,
        #[MapRequestPayload] MovesRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $this->access($site, $caller);

        return $this->transaction->run(
            $request,
            $caller,
            [$site],
            function () use ($site, $split, $body, $caller): Answer {
                $access = $this->access($site, $caller);
                $found = $this->locked($site, $split);

                return new Answer($this->moves->make($access, $found, $body->byPerson()));
            },
        );
    }

    /** Whom pasted lines mean, and which groups. Changes nothing. */
    #[Expensive]
    #[Route(self::ONE.'/lines', name: 'read_group_lines', requirements: self::BOTH, methods: ['POST'])]
    public function lines(
        string $site,
        string $split,
        #[MapRequestPayload] GroupLinesRequest $body,
        #[CurrentUser] Caller $caller,
    ): Response {
        $access = $this->access($site, $caller);
        $found = $this->splits->there($site, $split) ?? throw Problem::notFound('split');

        return new Answer(new Items($this->lines->read($access, $found, $body->text)));
    }

    /** @param \Closure(SiteAccess, GroupSplit): ?string $work answers the change list it makes */
    private function changed(string $site, string $split, Request $request, Caller $caller, \Closure $work): Answer
    {
        SplitsHandler::assertMayChange($this->access($site, $caller));

        return $this->transaction->run(
            $request,
            $caller,
            [$site],
            function () use ($site, $split, $caller, $work): Answer {
                $access = $this->access($site, $caller);
                SplitsHandler::assertMayChange($access);
                $found = $this->splits->locked($site, $split) ?? throw Problem::notFound('split');
                $list = $work($access, $found);
                $this->splits->flush();

                return $this->answer($access, $found, $list);
            },
        );
    }

    private function locked(string $site, string $split): GroupSplit
    {
        $found = $this->splits->locked($site, $split) ?? throw Problem::notFound('split');
        self::assertThere($found);

        return $found;
    }

    /** What was put away is only brought back. */
    private static function assertThere(GroupSplit $split): void
    {
        if (null !== $split->putAwayAt) {
            throw Problem::notFound('split');
        }
    }

    private function answer(SiteAccess $access, GroupSplit $split, ?string $list = null): Answer
    {
        return (new Answer($this->query->of($access, $split, $list)))->versioned($split->version);
    }

    private function access(string $site, Caller $caller): SiteAccess
    {
        return $this->gate->at($site, $caller)->require(Permission::ArrangeGroups, 'groups.not-arrange');
    }
}
