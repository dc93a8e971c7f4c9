<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\Accounts\Repository\AccountListRows;
use MintDoor\Accounts\Repository\HeldAbout;
use MintDoor\Changes\ChangeLists;
use MintDoor\Changes\Repository\RequestedLines;
use MintDoor\Core\Text\Folding;
use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\People\Facts;
use MintDoor\People\PersonFacts;
use MintDoor\People\PersonRow;
use MintDoor\People\Repository\FindableNames;
use MintDoor\People\Repository\People;
use MintDoor\Roster\Caring;
use MintDoor\Roster\PersonGate;
use MintDoor\Shared\Caller;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Repository\KeptAnswers;
use MintDoor\Shared\Row;
use MintDoor\Shared\Speech;
use Symfony\Component\DependencyInjection\Attribute\AutowireIterator;

/**
 * Erases somebody who left, for good: names and addresses go from wherever they are, counts and history stay under a
 * placeholder. Runs inside a transaction.
 */
final readonly class Erasure
{
    /** How somebody erased is called. */
    public const PLACEHOLDER = 'Erased person';

    /** @param iterable<ErasesTraces> $others */
    public function __construct(
        private HeldAbout $held,
        private AccountListRows $rows,
        private RequestedLines $requested,
        private KeptAnswers $answers,
        private FindableNames $names,
        private People $people,
        private PersonGate $gate,
        private Caring $caring,
        private PersonFacts $facts,
        private ChangeLists $changeLists,
        private History $history,
        private PlatformClock $clock,
        private Speech $speech,
        #[AutowireIterator(ErasesTraces::class)] private iterable $others,
    ) {}

    public function of(string $person, bool $apply, Caller $caller): ErasureAnswer
    {
        $row = $this->gate->at($person, $caller)->row;
        $people = $this->gate->everyId($person);
        $refusal = $this->refusal($row, $people, $caller);
        if ('not-yours' === $refusal) {
            throw Problem::notAllowed('accounts.erasure.'.$refusal);
        }
        $counts = $this->held->counts($people);
        $changeList = null;
        if ($apply) {
            if (null !== $refusal) {
                throw Problem::notAllowed('accounts.erasure.'.$refusal);
            }
            foreach ($people as $one) {
                $this->erase($one);
            }
            $list = $this->changeLists->begin('erase', null, self::PLACEHOLDER, 'applied', $caller);
            $list->finish(1, 1);
            $changeList = $list->id;
            $this->history->write(
                History::PLATFORM,
                $caller,
                new Happening('person-erased', ['changeList' => $changeList], $person),
            );
        }

        return new ErasureAnswer(
            $refusal,
            null === $refusal ? null : $this->speech->say('accounts.erasure.'.$refusal),
            $counts,
            $changeList,
        );
    }

    /** @param non-empty-list<string> $people */
    private function refusal(Row $row, array $people, Caller $caller): ?string
    {
        $administers = $this->held->administers($people);
        $here = $this->held->here($people, $this->clock->instant());

        return $this->caring
            ->caretaker($caller)
            ->mayNotErase(PersonRow::person($row), $administers, $here, null !== $row->stringOrNull('gone'));
    }

    private function erase(string $person): void
    {
        $facts = Facts::of($this->people->locked($person));
        $traces = new Traces($person, $facts);
        $this->held->emptyMessages($traces);
        $this->held->deleteTheirs($person);
        $this->held->leadsNothing($person);
        $this->held->emptyOverrides($person);
        $this->held->emptyWork($traces);
        $this->held->replaceInDrafts($traces, self::PLACEHOLDER);
        $this->requested->forgetTextsOf($person);
        $this->rows->forgetRowsOf($person);
        // Answers that are kept for a repeated request and name them are answered emptily from now on.
        $words = $traces->words();
        $this->answers->emptyWhere(static fn(string $said): bool => $said !== str_ireplace($words, '', $said));
        foreach ($this->others as $room) {
            $room->erase($traces);
        }
        $this->facts->write($person, new Facts('', self::PLACEHOLDER), 'erased');
        $this->names->forgetUnused(Folding::tokens($facts->names()));
    }
}
