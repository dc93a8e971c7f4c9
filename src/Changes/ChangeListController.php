<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use Doctrine\DBAL\Connection;
use MintDoor\Intake\SettledLines;
use MintDoor\People\MakeAccounts;
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
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Messenger\MessageBusInterface;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Sheets that are kept: worked on, found again, applied, continued and taken back. */
final readonly class ChangeListController
{
    public function __construct(
        private ChangeLists $sheets,
        private ManySites $sites,
        private ChangeListRunner $runner,
        private SettledLines $settled,
        private Connection $db,
        private Transaction $transaction,
        private MessageBusInterface $bus,
    ) {}

    #[Route('/sheets', name: 'sheets', methods: ['GET'])]
    public function list(#[FromQuery] ChangeListFilter $filter, #[CurrentUser] Caller $caller): Response
    {
        return new Answer($this->sheets->list($filter, $caller));
    }

    #[Route('/sheets', name: 'begin_sheet', methods: ['POST'])]
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
                $this->sheets->page($this->sheets->make($work, $caller), 0, $caller),
                Response::HTTP_CREATED,
            ),
        );
    }

    #[Route('/sheets/{sheet}', name: 'sheet', requirements: ['sheet' => Id::PATTERN], methods: ['GET'])]
    public function look(string $sheet, #[CurrentUser] Caller $caller, #[MapQueryParameter] int $after = 0): Response
    {
        return new Answer($this->sheets->page($sheet, $after, $caller));
    }

    #[Route('/sheets/{sheet}', name: 'keep_sheet', requirements: ['sheet' => Id::PATTERN], methods: ['PUT'])]
    public function keep(
        string $sheet,
        #[MapRequestPayload] DraftRequest $work,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $this->transaction->run($request, $caller, [], function () use (
            $sheet,
            $work,
            $request,
            $caller,
        ): Answer {
            $this->sheets->save($sheet, $work, static fn(int $version) => IfMatch::check($request, $version), $caller);

            return new Answer(ChangeLists::json($this->sheets->row($sheet, $caller)));
        });
    }

    /** Puts a draft aside, or takes it up again. */
    #[Route(
        '/sheets/{sheet}/dropped',
        name: 'drop_sheet',
        requirements: ['sheet' => Id::PATTERN],
        methods: ['PUT', 'DELETE'],
    )]
    public function drop(string $sheet, Request $request, #[CurrentUser] Caller $caller): Response
    {
        return $this->transaction->run($request, $caller, [], function () use ($sheet, $request, $caller): Answer {
            $this->sheets->drop($sheet, $request->isMethod('PUT'), $caller);

            return new Answer(ChangeLists::json($this->sheets->row($sheet, $caller)));
        });
    }

    /** What lines would do, in whatever sites they are. Changes nothing. */
    #[Dear]
    #[Route('/sheet-reviews', name: 'review_sheet', methods: ['POST'])]
    public function review(#[MapRequestPayload] ContentsRequest $contents, #[CurrentUser] Caller $caller): Response
    {
        return new Answer($this->sites->review($contents->items(), $caller));
    }

    #[Dear]
    #[Route('/sheets/{sheet}/apply', name: 'apply_sheet', requirements: ['sheet' => Id::PATTERN], methods: ['POST'])]
    public function apply(
        string $sheet,
        #[MapRequestPayload] ContentsRequest $contents,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $items = $contents->items();
        $this->mustHoldLines($this->sheets->row($sheet, $caller));
        if ([] === $items) {
            throw Problem::field('/lines', 'nothing', 'There is nobody on this sheet yet. Settle a line first.');
        }
        $sites = array_values(array_unique(array_map(static fn(ChangeItem $item): string => $item->site, $items)));

        return $this->transaction->run($request, $caller, $sites, function () use (
            $sheet,
            $items,
            $contents,
            $caller,
        ): Answer {
            $row = $this->sheets->take($sheet, \count($items), $contents->tell, $caller);
            ChangeHandler::mindRemovals($this->sites->review($items, $caller)['removal'], $contents->removing);
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
                $sheet,
                array_map(
                    static fn(ChangeItem $item): array => [
                        'site' => $item->site,
                        'person' => $item->line->person,
                        'wish' => [
                            'text' => $item->text,
                            ...array_diff_key(get_object_vars($item->line), ['person' => 1]),
                        ],
                    ],
                    $items,
                ),
            );
            $this->runner->begin($sheet, \count($items));

            return new Answer($this->sheets->page($sheet, 0, $caller));
        });
    }

    /** Goes on with a sheet whose worker is gone. */
    #[Dear]
    #[Route(
        '/sheets/{sheet}/continue',
        name: 'continue_sheet',
        requirements: ['sheet' => Id::PATTERN],
        methods: ['POST'],
    )]
    public function goOn(string $sheet, Request $request, #[CurrentUser] Caller $caller): Response
    {
        return $this->transaction->run($request, $caller, [], function () use ($sheet, $caller): Answer {
            $row = $this->sheets->row($sheet, $caller);
            $this->sheets->mustBe($row, ['applying'], 'Nothing of this sheet is left to apply.');
            $this->db->executeStatement('UPDATE change_sheet SET changed_by = ?, trouble = NULL WHERE id = ?', [
                Id::binary($caller->id),
                Id::binary($sheet),
            ]);
            'accounts' === $row->string('kind')
                ? $this->bus->dispatch(new MakeAccounts($sheet))
                : $this->runner->begin($sheet, ChangeListRunner::AT_ONCE + 1);

            return new Answer($this->sheets->page($sheet, 0, $caller));
        });
    }

    /** Takes a whole sheet back, as a sheet of its own; or says what that would do. */
    #[Dear]
    #[Route(
        '/sheets/{sheet}/undo',
        name: 'undo_stored_sheet',
        requirements: ['sheet' => Id::PATTERN],
        methods: ['POST'],
    )]
    public function undo(
        string $sheet,
        #[MapRequestPayload] UndoRequest $wish,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $row = $this->sheets->row($sheet, $caller);
        if (\in_array($row->string('kind'), ['merge', 'accounts', 'erase'], true)) {
            throw Problem::notAllowed(
                'erase' === $row->string('kind')
                    ? 'Erasing cannot be undone.'
                    : 'This sheet is taken back from its own page.',
            );
        }
        $lines = $this->applied($sheet);
        if (!$wish->apply) {
            return new Answer($this->sites->reviewUndo($lines, $caller));
        }
        // Also the sites of lines that a worker may apply before it is stopped.
        $sites = array_map(
            static fn(Row $line): string => $line->id('site_id'),
            Row::all(
                $this->db->fetchAllAssociative(
                    <<<'SQL'
                        SELECT site_id
                        FROM sheet_line
                        WHERE sheet_id = ?
                        UNION
                        SELECT site_id
                        FROM sheet_wish
                        WHERE sheet_id = ?
                        SQL,
                    [Id::binary($sheet), Id::binary($sheet)],
                ),
            ),
        );

        return $this->transaction->run($request, $caller, $sites, function () use (
            $sheet,
            $row,
            $wish,
            $caller,
        ): Answer {
            // What is left of a sheet that is taken back half-way is not applied any more.
            $this->sheets->stop($sheet);
            $lines = $this->applied($sheet);
            ChangeHandler::mindRemovals($this->sites->reviewUndo($lines, $caller)['removal'], $wish->removing);
            $undo = $this->sheets->insert(
                'undo',
                $row->idOrNull('site_id'),
                $row->string('title'),
                'applying',
                $caller,
                ['undoes' => BulkWriter::id($sheet), 'total' => \count($lines)],
            );
            $this->runner->write(
                $undo,
                array_map(
                    static fn(Row $line): array => [
                        'site' => $line->id('site_id'),
                        'person' => $line->id('person_id'),
                        'wish' => ['undo' => $line->id('id')],
                    ],
                    $lines,
                ),
            );
            $this->runner->begin($undo, \count($lines));

            return new Answer($this->sheets->page($undo, 0, $caller));
        });
    }

    /** Sheets of sites, accounts and merged people are applied where they are made. */
    private function mustHoldLines(Row $row): void
    {
        if (!\in_array($row->string('kind'), ['pasted', 'people'], true)) {
            throw Problem::notFound('This sheet');
        }
    }

    /** @return non-empty-list<Row> the applied lines of a sheet, the last first */
    private function applied(string $sheet): array
    {
        $lines = Row::all(
            $this->db->fetchAllAssociative(
                'SELECT id, site_id, person_id FROM sheet_line WHERE sheet_id = ? ORDER BY position DESC',
                [Id::binary($sheet)],
            ),
        );

        return [] !== $lines
            ? $lines
            : throw new Problem(
                ProblemType::UndoneAlready,
                'Nothing of this sheet was applied, so there is nothing to undo.',
            );
    }
}
