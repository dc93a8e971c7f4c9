<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Changes\ChangeHandler;
use MintDoor\Changes\ChangeLists;
use MintDoor\Changes\ChangeRequest;
use MintDoor\Changes\LineRequest;
use MintDoor\Changes\Repository\AppliedLines;
use MintDoor\Core\Intake\Candidate;
use MintDoor\Core\Intake\Circumstances;
use MintDoor\Core\Intake\Outcome;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Platform\LevelNames;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roles\Standing;
use MintDoor\Core\Sites\Site as SiteRules;
use MintDoor\Core\Sites\SiteDraft;
use MintDoor\Core\Sites\SiteRows;
use MintDoor\Core\Text\TooMuch;
use MintDoor\Intake\PeopleReader;
use MintDoor\People\PersonShown;
use MintDoor\Platform\Repository\Divisions;
use MintDoor\Platform\Repository\Terms;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Gate;
use MintDoor\Roster\Repository\Enrollments;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Row;
use MintDoor\Shared\Speech;
use MintDoor\Shared\Transaction;
use MintDoor\Shared\Violated;
use MintDoor\Shared\Wrong;
use MintDoor\Sites\SiteName;
use Symfony\Component\Validator\Validator\ValidatorInterface;

/** Makes sites from rows, each by itself, and takes them back. Runs inside a transaction. */
final readonly class SiteBatch
{
    public function __construct(
        private Transaction $transaction,
        private Terms $terms,
        private Enrollments $enrollments,
        private SiteHandler $handler,
        private ChangeHandler $changeLists,
        private ChangeLists $stored,
        private AppliedLines $applied,
        private Divisions $divisions,
        private PeopleReader $people,
        private Gate $gate,
        private ValidatorInterface $validator,
        private Speech $speech,
        private Roles $roles,
    ) {}

    public function make(SiteBatchRequest $request, Caller $caller): SiteBatchAnswer
    {
        $reader = new SiteRows(
            array_column($this->roles->rules()->siteKinds, 'name', 'code'),
            $this->divisions->offered(),
            $this->terms->names(),
            $request->division,
            $request->term,
            new LevelNames($this->divisions->tree()),
        );
        try {
            $drafts = $reader->read($request->text, SiteBatchRequest::MOST_ROWS);
        } catch (TooMuch $much) {
            throw Problem::tooMuch($much->problem, $much->row, SiteBatchRequest::MOST_ROWS);
        }
        $leads = $this->leads($drafts, $request, $caller);
        $rows = [];
        $made = 0;
        foreach ($drafts as $draft) {
            $row = $this->one($draft, $leads[$draft->number] ?? [], $request->apply, $caller);
            $made += (int) ('ready' === $row->verdict);
            $rows[] = $row;
        }
        if ($request->apply) {
            if (0 === $made || null === $request->changeList) {
                throw Problem::field('/text', 'nothing', 'desk.no-site-make-yet');
            }
            $this->stored->seen($request->changeList, $caller, 'sites');
            $kept = array_map(static fn(SiteBatchRow $row): array => $row->kept(), $rows);
            $this->stored->made($request->changeList, $kept, $made, $caller);
        }

        return new SiteBatchAnswer($rows, $made, $request->apply ? $request->changeList : null);
    }

    /** @return list<string> ids of the sites a change list made */
    public function madeBy(string $changeList, Caller $caller): array
    {
        return array_column($this->rows($changeList, $caller), 'site');
    }

    /** @return list<SiteTakenBack> */
    public function takeBack(string $changeList, Caller $caller): array
    {
        $rows = $this->rows($changeList, $caller);
        $lines = [];
        foreach ($rows as $row) {
            $access = $this->gate->at($row['site'], $caller);
            $access->require(Permission::RunSite, 'desk.only-leads-site-administers');
            $platform = new SiteAccess(
                $access->site,
                $access->row,
                $caller,
                new Standing($caller->id, true),
                null,
                $access->now,
            );
            $reason = $this->inUse($row['site'], $access);
            if (null === $reason) {
                $people = $this->enrollments->everybody($row['site']);
                if ([] !== $people) {
                    $this->changeLists->apply(
                        $platform,
                        new ChangeRequest(
                            array_map(
                                static fn(string $person): LineRequest => new LineRequest($person, 'remove'),
                                $people,
                            ),
                            removing: \count($people),
                        ),
                    );
                }
                $this->handler->takeBack($platform);
            }
            $lines[] = new SiteTakenBack(
                new SiteName($row['site'], $row['title']),
                null === $reason ? 'ready' : 'refused',
                null === $reason ? null : $this->speech->say($reason),
            );
        }
        $gone = array_filter($lines, static fn(SiteTakenBack $line): bool => 'ready' === $line->verdict);
        if ([] !== $gone) {
            $ids = array_map(static fn(SiteTakenBack $line): string => $line->site->id, array_values($gone));
            $this->stored->takenBack($changeList, $ids, $caller);
        }

        return $lines;
    }

    /** Why a site can not be taken back any more. */
    private function inUse(string $site, SiteAccess $access): ?string
    {
        return match (true) {
            $access->row->int('version') > 1 => 'desk.changed-opened-since-close',
            $this->applied->changedIn($site), $this->enrollments->hasMoreThanLeads($site) =>
                'desk.people-let-changed-since',
            default => null,
        };
    }

    /** @return list<array{site: string, title: string}> */
    private function rows(string $changeList, Caller $caller): array
    {
        $work = $this->stored->seen($changeList, $caller, 'sites')->undoData ?? [];
        $rows = [];
        foreach ((array) ($work['rows'] ?? []) as $row) {
            $row = (array) $row;
            if (\is_string($row['site'] ?? null) && true !== ($row['gone'] ?? false)) {
                $rows[] = ['site' => $row['site'], 'title' => \is_string($row['title'] ?? null) ? $row['title'] : ''];
            }
        }

        return [] !== $rows
            ? $rows
            : throw new Problem(ProblemType::UndoneAlready, 'shared.nothing-change-list-left');
    }

    /** @param list<LeadNamed> $leads */
    private function one(
        SiteDraft $draft,
        array $leads,
        bool $apply,
        Caller $caller,
    ): SiteBatchRow {
        $problems = array_map(
            fn(array $each): array => [
                'field' => $each['field'],
                'detail' => $this->speech->say(self::sentence($each['field'], $each['code'])),
            ],
            $draft->problems,
        );
        $request = new SiteRequest(
            $draft->title,
            $draft->code,
            $draft->kind,
            $draft->division,
            $draft->term,
            $draft->lowest,
            $draft->highest,
            $draft->seats,
        );
        foreach ([] === $problems ? $this->validator->validate($request) : [] as $violation) {
            $problems[] = ['field' => $violation->getPropertyPath(), 'detail' => $this->speech->say(
                Violated::said($violation)
            )];
        }
        $open = array_filter($leads, static fn(LeadNamed $lead): bool => null === $lead->person);
        $site = null;
        if ([] === $problems && [] === $open) {
            try {
                $site = $this->transaction->attempt(
                    $apply,
                    fn(): string => $this->withLeads($request, array_column($leads, 'person'), $caller),
                );
            } catch (Problem $problem) {
                foreach ($problem->errors ?: [new Wrong('/title', '', $problem->said)] as $wrong) {
                    $problems[] = [
                        'field' => trim($wrong->pointer, '/'),
                        'detail' => $this->speech->say($wrong->said),
                    ];
                }
            }
        }

        return new SiteBatchRow(
            number: $draft->number,
            text: $draft->text,
            title: $request->title,
            code: $request->code,
            kind: $draft->kind,
            division: $draft->division,
            term: $draft->term,
            lowest: $draft->lowest,
            highest: $draft->highest,
            seats: $draft->seats,
            leads: $leads,
            problems: $problems,
            verdict: match (true) {
                [] !== $problems => 'refused',
                [] !== $open => 'needs-choice',
                default => 'ready',
            },
            site: $apply && [] === $problems ? $site : null,
        );
    }

    /** @param list<string|null> $leads ids */
    private function withLeads(
        SiteRequest $request,
        array $leads,
        Caller $caller,
    ): string {
        // An administrator who names others need not lead it; anybody else answers for what they make.
        $site = $this->handler->make(
            $request,
            $caller,
            [] === $leads || !$caller->administers($request->division),
        );
        $access = $this->gate->at($site, $caller);
        foreach (array_unique(array_filter($leads)) as $lead) {
            if ($lead !== $caller->id || $caller->administers($request->division)) {
                try {
                    $this->changeLists->apply(
                        $access,
                        new ChangeRequest([new LineRequest($lead, 'let-in', $this->handler->leadRole())]),
                    );
                } catch (Problem $problem) {
                    throw ProblemType::NotReady === $problem->type
                        ? Problem::field('/leads', 'not-a-lead', 'desk.those-named-not-lead')
                        : $problem;
                }
            }
        }

        return $site;
    }

    /**
     * @param list<SiteDraft> $drafts
     *
     * @return array<int, list<LeadNamed>> by row number
     */
    private function leads(array $drafts, SiteBatchRequest $request, Caller $caller): array
    {
        $texts = $leads = [];
        foreach ($drafts as $draft) {
            foreach ($draft->leads as $place => $text) {
                $texts[$draft->number.':'.$place] = $text;
            }
        }
        $for = new Circumstances(new SiteRules('', ''), [PersonKind::Staff]);
        $read = $this->people->read(array_values($texts), $caller, $for);
        foreach (array_keys($texts) as $place => $key) {
            $reading = $read->ofLine($place);
            $who =
                $request->leads[$key]
                ?? (\in_array($reading?->outcome, [Outcome::Match, Outcome::Repeat], true)
                    ? $reading->candidates[0]->known->person->id
                    : null);
            $leads[(int) $key][] = new LeadNamed(
                $texts[$key],
                $who,
                array_map(
                    static fn(Candidate $each): PersonShown => $read->people[$each->known->person->id]->shown(),
                    $reading->candidates ?? [],
                ),
            );
        }

        return $leads;
    }

    /** @return string the key of what is said */
    private static function sentence(string $field, string $code): string
    {
        return match ($code) {
            'not-a-number' => 'desk.write-seats-number-leave',
            'not-levels' => 'desk.write-levels-number-run',
            default => "desk.row.$code.$field",
        };
    }
}
