<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use Doctrine\DBAL\Connection;
use MintDoor\Intake\SettledLines;
use MintDoor\Shared\Answer;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Dear;
use MintDoor\Shared\FromQuery;
use MintDoor\Shared\Id;
use MintDoor\Shared\IfMatch;
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
        private Connection $db,
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
            $this->changeLists->save(
                $changeList,
                $work,
                static fn(int $version) => IfMatch::check($request, $version),
                $caller
            );

            return new Answer(ChangeLists::json($this->changeLists->row($changeList, $caller)));
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

            return new Answer(ChangeLists::json($this->changeLists->row($changeList, $caller)));
        });
    }

    /** What lines would do, in whatever sites they are. Changes nothing. */
    #[Dear]
    #[Route('/change-reviews', name: 'review_change_list', methods: ['POST'])]
    public function review(#[MapRequestPayload] ContentsRequest $contents, #[CurrentUser] Caller $caller): Response
    {
        return new Answer($this->sites->review($contents->items(), $caller));
    }

    #[Dear]
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
        $this->mustHoldLines($this->changeLists->row($changeList, $caller));
        if ([] === $items) {
            throw Problem::field('/lines', 'nothing', 'There is nobody on this change list yet. Settle a line first.');
        }
        $sites = array_values(array_unique(array_map(static fn(ChangeItem $item): string => $item->site, $items)));

        return $this->transaction->run($request, $caller, $sites, function () use (
            $changeList,
            $items,
            $contents,
            $caller,
        ): Answer {
            $row = $this->changeLists->take($changeList, \count($items), $contents->tell, $caller);
            ChangeHandler::assertRemovalsSaid($this->sites->review($items, $caller)['removal'], $contents->removing);
            $site = $row->idOrNull('site_id');
            $onIt = array_fill_keys(
                array_map(static fn(ChangeItem $item): string => $item->line->person, $items),
                true
            );
            foreach ($contents->settled as $line) {
                null === $site
                    || !isset($onIt[$line['person']])
                    || $this->settled->remember($site, $line['gist'], $line['text'], $line['person'], $caller);
            }
            $this->runner->write(
                $changeList,
                array_map(
                    static fn(ChangeItem $item): array => [
                        'site' => $item->site,
                        'person' => $item->line->person,
                        'request' => [
                            'text' => $item->text,
                            ...array_diff_key(get_object_vars($item->line), ['person' => 1]),
                        ],
                    ],
                    $items,
                ),
            );
            $this->runner->begin($changeList, \count($items));

            return new Answer($this->changeLists->page($changeList, 0, $caller));
        });
    }

    /** Goes on with a change list whose worker is gone. */
    #[Dear]
    #[Route(
        '/change-lists/{changeList}/continue',
        name: 'continue_change_list',
        requirements: ['changeList' => Id::PATTERN],
        methods: ['POST'],
    )]
    public function goOn(string $changeList, Request $request, #[CurrentUser] Caller $caller): Response
    {
        return $this->transaction->run($request, $caller, [], function () use ($changeList, $caller): Answer {
            $row = $this->changeLists->row($changeList, $caller);
            $this->changeLists->mustBe($row, ['applying'], 'Nothing of this change list is left to apply.');
            $this->db->executeStatement('UPDATE change_list SET changed_by = ?, trouble = NULL WHERE id = ?', [
                Id::binary($caller->id),
                Id::binary($changeList),
            ]);
            $own = $this->others->has($row->string('kind')) ? $this->others->get($row->string('kind')) : null;
            null === $own
                ? $this->runner->begin($changeList, ChangeListRunner::AT_ONCE + 1)
                : $own->continue($changeList);

            return new Answer($this->changeLists->page($changeList, 0, $caller));
        });
    }

    /** Takes a whole change list back, as a change list of its own; or says what that would do. */
    #[Dear]
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
        $row = $this->changeLists->row($changeList, $caller);
        if (\in_array($row->string('kind'), ['merge', 'accounts', 'erase'], true)) {
            throw Problem::notAllowed(
                'erase' === $row->string('kind')
                    ? 'Erasing cannot be undone.'
                    : 'This change list is taken back from its own page.',
            );
        }
        $lines = $this->applied($changeList);
        if (!$body->apply) {
            return new Answer($this->sites->reviewUndo($lines, $caller));
        }
        // Also the sites of lines that a worker may apply before it is stopped.
        $sites = array_map(
            static fn(Row $line): string => $line->id('site_id'),
            Row::all(
                $this->db->fetchAllAssociative(
                    <<<'SQL'
                        SELECT site_id
                        FROM change_line
                        WHERE change_list_id = ?
                        UNION
                        SELECT site_id
                        FROM change_request
                        WHERE change_list_id = ?
                        SQL,
                    [Id::binary($changeList), Id::binary($changeList)],
                ),
            ),
        );

        return $this->transaction->run($request, $caller, $sites, function () use (
            $changeList,
            $row,
            $body,
            $caller,
        ): Answer {
            // What is left of a change list that is taken back half-way is not applied any more.
            $this->changeLists->stop($changeList);
            $lines = $this->applied($changeList);
            ChangeHandler::assertRemovalsSaid($this->sites->reviewUndo($lines, $caller)['removal'], $body->removing);
            $undo = $this->changeLists->insert(
                'undo',
                $row->idOrNull('site_id'),
                $row->string('title'),
                'applying',
                $caller,
                ['undoes' => BulkWriter::id($changeList), 'total' => \count($lines)],
            );
            $this->runner->write(
                $undo,
                array_map(
                    static fn(Row $line): array => [
                        'site' => $line->id('site_id'),
                        'person' => $line->id('person_id'),
                        'request' => ['undo' => $line->id('id')],
                    ],
                    $lines,
                ),
            );
            $this->runner->begin($undo, \count($lines));

            return new Answer($this->changeLists->page($undo, 0, $caller));
        });
    }

    /** Change lists of sites, accounts and merged people are applied where they are made. */
    private function mustHoldLines(Row $row): void
    {
        if (!\in_array($row->string('kind'), ['pasted', 'people'], true)) {
            throw Problem::notFound('This change list');
        }
    }

    /** @return non-empty-list<Row> the applied lines of a change list, the last first */
    private function applied(string $changeList): array
    {
        $lines = Row::all(
            $this->db->fetchAllAssociative(
                'SELECT id, site_id, person_id FROM change_line WHERE change_list_id = ? ORDER BY position DESC',
                [Id::binary($changeList)],
            ),
        );

        return [] !== $lines
            ? $lines
            : throw new Problem(
                ProblemType::UndoneAlready,
                'Nothing of this change list was applied, so there is nothing to undo.',
            );
    }
}
