<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

/**
 * How far a platform is on the way to its first class. A step is done once somebody said so, or once what is there
 * shows it, wherever it was set; so that a platform made from a file, or long in use, is not asked for what it has.
 */
final readonly class FirstSteps
{
    /**
     * @param list<FirstStep>               $shown done by what is there
     * @param array<string, FirstStepState> $said  by step: what somebody said of it
     */
    public function __construct(private array $shown, private array $said) {}

    public function state(FirstStep $step): FirstStepState
    {
        $said = $this->said[$step->value] ?? FirstStepState::Open;

        return \in_array($step, $this->shown, true) ? FirstStepState::Done : $said;
    }

    /** Whether something is there already, however far the steps are: nobody is sent to them any more. */
    public function begun(): bool
    {
        return [] !== $this->said || [] !== $this->shown;
    }

    /** @return list<FirstStep> those that are neither done nor left out, in order */
    public function open(): array
    {
        return array_values(
            array_filter(
                FirstStep::cases(),
                fn(FirstStep $step): bool => FirstStepState::Open === $this->state($step),
            ),
        );
    }

    /** The next one to be done after a step, going round; null where none is open. */
    public function after(FirstStep $step): ?FirstStep
    {
        $order = FirstStep::cases();
        $place = (int) array_search($step, $order, true);
        $later = [...\array_slice($order, $place + 1), ...\array_slice($order, 0, $place)];
        foreach ($later as $each) {
            if (FirstStepState::Open === $this->state($each)) {
                return $each;
            }
        }

        return null;
    }
}
