<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Changes\Entity\ChangeList;
use MintDoor\Changes\Repository\AppliedLines;
use MintDoor\Changes\Repository\RequestedLines;
use MintDoor\Intake\Repository\SettledLines;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Expensive;
use MintDoor\Shared\FromQuery;
use MintDoor\Shared\Id;
use MintDoor\Shared\IfMatch;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Row;
use MintDoor\Shared\Transaction;
use Symfony\Component\DependencyInjection\Attribute\AutowireLocator;
use Symfony\Component\DependencyInjection\ServiceLocator;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Change lists that are kept: worked on, found again, applied, continued and taken back. */
final readonly class ChangeListController
{
    public function __construct(
        private ChangeLists $changeLists,
        private ManySites $sites,
        private ChangeListRunner $runner,
        private SettledLines $settled,
        private AppliedLines $applied,
        private RequestedLines $requested,
        private PlatformClock $clock,
        private Transaction $transaction,
        /** @var ServiceLocator<ContinuesLists> by the kind of their lists */
        #[AutowireLocator(ContinuesLists::class, defaultIndexMethod: 'kind')]
        private ServiceLocator $others,
    ) {}

    #[Route('/change-lists', name: 'changeLists', methods: ['GET'])]
    public function list(#[FromQuery] ChangeListFilter $filter, #[CurrentUser] Caller $caller): Response
    {
        return new Answer($this->changeLists->list($filter, $caller));
    }

    #[Route('/change-lists', name: 'begin_change_list', methods: ['POST'])]
    public function begin(
        #[MapRequestPayload] DraftRequest $work,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $this->transaction->run(
            $request,
            $caller,
            [],
            fn(): Answer => new Answer(
                $this->changeLists->page($this->changeLists->make($work, $caller), 0, $caller),
                Response::HTTP_CREATED,
            ),
        );
    }

    #[Route(
        '/change-lists/{changeList}',
        name: 'changeList',
        requirements: ['changeList' => Id::PATTERN],
        methods: ['GET']
    )]
    public function look(
        string $changeList,
        #[CurrentUser] Caller $caller,
        #[MapQueryParameter] int $after = 0,
    ): Response {
        return new Answer($this->changeLists->page($changeList, $after, $caller));
    }

    #[Route(
        '/change-lists/{changeList}',
        name: 'keep_change_list',
        requirements: ['changeList' => Id::PATTERN],
        methods: ['PUT']
    )]
    public function keep(
        string $changeList,
        #[MapRequestPayload] DraftRequest $work,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $this->transaction->run($request, $caller, [], function () use (
            $changeList,
            $work,
            $request,
            $caller,
        ): Answer {
            $this->changeLists->save($changeList, $work, IfMatch::of($request), $caller);

            return new Answer($this->changeLists->shown($changeList));
        });
    }

    /** Puts a draft aside, or takes it up again. */
    #[Route(
        '/change-lists/{changeList}/dropped',
        name: 'drop_change_list',
        requirements: ['changeList' => Id::PATTERN],
        methods: ['PUT', 'DELETE'],
    )]
    public function drop(string $changeList, Request $request, #[CurrentUser] Caller $caller): Response
    {
        return $this->transaction->run($request, $caller, [], function () use ($changeList, $request, $caller): Answer {
            $this->changeLists->drop($changeList, $request->isMethod('PUT'), $caller);

            return new Answer($this->changeLists->shown($changeList));
        });
    }

    /** What lines would do, in whatever sites they are. Changes nothing. */
    #[Expensive]
    #[Route('/change-reviews', name: 'review_change_list', methods: ['POST'])]
    public function review(#[MapRequestPayload] ContentsRequest $contents, #[CurrentUser] Caller $caller): Response
    {
        return new Answer($this->sites->review($contents->items(), $caller));
    }

    #[Expensive]
    #[Route(
        '/change-lists/{changeList}/apply',
        name: 'apply_change_list',
        requirements: ['changeList' => Id::PATTERN],
        methods: ['POST']
    )]
    public function apply(
        string $changeList,
        #[MapRequestPayload] ContentsRequest $contents,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $items = $contents->items();
        self::assertHoldsLines($this->changeLists->seen($changeList, $caller));
        if ([] === $items) {
            throw Problem::field('/lines', 'nothing', 'changes.nobody-change-list-yet');
        }
        $sites = array_values(array_unique(array_map(static fn(ChangeItem $item): string => $item->site, $items)));

        return $this->transaction->run($request, $caller, $sites, function () use (
            $changeList,
            $items,
            $contents,
            $caller,
        ): Answer {
            $list = $this->changeLists->take($changeList, \count($items), $contents->tell, $caller);
            ChangeHandler::assertRemovalsSaid($this->sites->review($items, $caller)->removal, $contents->removing);
            $this->remember($list, $items, $contents, $caller);
            $this->runner->begin(
                $changeList,
                array_map(
                    static fn(ChangeItem $item): RequestedItem => RequestedItem::change(
                        $item->site,
                        $item->line,
                        $item->text,
                    ),
                    $items,
                ),
            );

            return new Answer($this->changeLists->page($changeList, 0, $caller));
        });
    }

    /** Goes on with a change list whose worker is gone. */
    #[Expensive]
    #[Route(
        '/change-lists/{changeList}/continue',
        name: 'continue_change_list',
        requirements: ['changeList' => Id::PATTERN],
        methods: ['POST'],
    )]
    public function goOn(string $changeList, Request $request, #[CurrentUser] Caller $caller): Response
    {
        return $this->transaction->run($request, $caller, [], function () use ($changeList, $caller): Answer {
            $kind = $this->changeLists->takeOver($changeList, $caller)->kind;
            $this->others->has($kind)
                ? $this->others->get($kind)->continue($changeList)
                : $this->runner->goOn($changeList);

            return new Answer($this->changeLists->page($changeList, 0, $caller));
        });
    }

    /** Takes a whole change list back, as a change list of its own; or says what that would do. */
    #[Expensive]
    #[Route(
        '/change-lists/{changeList}/undo',
        name: 'undo_change_list',
        requirements: ['changeList' => Id::PATTERN],
        methods: ['POST'],
    )]
    public function undo(
        string $changeList,
        #[MapRequestPayload] UndoRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $list = $this->changeLists->seen($changeList, $caller);
        $whole = ['merge', 'accounts', 'division', 'erase', ...CarryLines::KINDS];
        // Moves between groups are no lines; their own room takes them back.
        $groups = isset($list->undoData['moves']);
        if (
            $groups
            || \in_array($list->kind, $whole, true)
            || \in_array($list->undoes?->kind, CarryLines::KINDS, true)
        ) {
            throw Problem::notAllowed(
                'erase' === $list->kind
                    ? 'changes.erasing-cannot-undone'
                    : 'changes.change-list-taken-back',
            );
        }
        $lines = $this->applied($changeList);
        if (!$body->apply) {
            return new Answer($this->sites->reviewUndo($lines, $caller));
        }
        // Also the sites of lines that a worker may apply before it is stopped.
        $sites = $this->requested->sites($changeList);
        [$site, $title] = [$list->site?->id, $list->title];

        return $this->transaction->run($request, $caller, $sites, function () use (
            $changeList,
            $site,
            $title,
            $body,
            $caller,
        ): Answer {
            // What is left of a change list that is taken back half-way is not applied any more.
            $this->changeLists->stop($changeList);
            $lines = $this->applied($changeList);
            ChangeHandler::assertRemovalsSaid($this->sites->reviewUndo($lines, $caller)->removal, $body->removing);
            $undo = $this->changeLists->begin(
                'undo',
                $site,
                $title,
                'applying',
                $caller,
                $changeList,
                total: \count($lines),
            );
            $this->runner->begin(
                $undo->id,
                array_map(
                    static fn(Row $line): RequestedItem => RequestedItem::undo(
                        $line->id('site_id'),
                        $line->id('person_id'),
                        $line->id('id'),
                    ),
                    $lines,
                ),
            );

            return new Answer($this->changeLists->page($undo->id, 0, $caller));
        });
    }

    /**
     * Lines that were settled by hand are remembered, for those who are on the list.
     *
     * @param list<ChangeItem> $items
     */
    private function remember(ChangeList $list, array $items, ContentsRequest $contents, Caller $caller): void
    {
        if (null === $list->site) {
            return;
        }
        $onIt = array_map(static fn(ChangeItem $item): string => $item->line->person, $items);
        $now = $this->clock->instant();
        foreach ($contents->settled as $line) {
            \in_array($line['person'], $onIt, true)
                && $this->settled->remember(
                    $list->site->id,
                    $line['gist'],
                    $line['text'],
                    $line['person'],
                    $caller->id,
                    $now
                );
        }
    }

    /** Change lists of sites, accounts and merged people are applied where they are made. */
    private static function assertHoldsLines(ChangeList $list): void
    {
        if (!\in_array($list->kind, ['pasted', 'people'], true)) {
            throw Problem::notFound('change-list');
        }
    }

    /** @return non-empty-list<Row> the applied lines of a change list, the last first */
    private function applied(string $changeList): array
    {
        return $this->applied->ofList($changeList)
            ?: throw new Problem(ProblemType::UndoneAlready, 'changes.nothing-change-list-applied');
    }
}
