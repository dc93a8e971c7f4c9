<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

use MintDoor\Changes\ComputedLine;
use MintDoor\Core\Changes\Laws;
use MintDoor\Core\Changes\Note;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\Cohorts\Step;
use MintDoor\Core\Cohorts\StepKind;
use MintDoor\Core\Roster\State;

/** What a connection does for somebody. */
final readonly class LinkOutcome
{
    /**
     * @param ?string $against why they are not brought though they belong; null where that is not so
     */
    public function __construct(
        public ComputedLine $line,
        public Step $step,
        public ?string $against,
    ) {}

    /** What stands in the way for now, and may not later: no seat, or a law; null where nothing does. */
    public function waitsFor(): ?string
    {
        $change = $this->line->change;
        $settled = [Verdict::Ready, Verdict::NothingToDo];

        return null !== $this->against || \in_array($change?->verdict, $settled, true)
            ? null
            : $change->reasons[0]->code ?? 'refused';
    }

    /** Whether they lose by it what they have, or are to lose it earlier. */
    public function takes(): bool
    {
        return $this->line->isReady() && $this->step->takes;
    }

    /** @return value-of<PersonOutcome::ALL> as `PersonOutcome` says it */
    public function what(): string
    {
        $change = $this->line->change;
        $before = $change?->before?->state;
        $here = true === $change?->after?->state->here();

        return match (true) {
            'removed' === $this->against => 'removed',
            null !== $this->against => 'refused',
            State::Blocked === $before => 'blocked',
            null !== $this->waitsFor() => 'waits',
            !$this->line->isReady() => 'same',
            $this->takes() => $here ? 'stays' : 'goes',
            StepKind::Come !== $this->step->kind => 'same',
            true === $before?->here() => 'here',
            State::Upcoming === $change?->after?->state => 'later',
            default => 'come',
        };
    }

    /** Whether they would be in two places at once. */
    public function clashes(): bool
    {
        $codes = array_map(static fn(Note $note): string => $note->code, $this->line->change->cautions ?? []);

        return \in_array(Laws::CLASH, $codes, true);
    }
}
