<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Platform;

use MintDoor\Core\Platform\FirstStep as Step;
use MintDoor\Core\Platform\FirstSteps;
use MintDoor\Core\Platform\FirstStepState as State;
use PHPUnit\Framework\TestCase;

final class FirstStepsTest extends TestCase
{
    public function testAnEmptyPlatformHasEverythingToDo(): void
    {
        $steps = new FirstSteps([], []);
        self::assertSame(Step::cases(), $steps->open());
        self::assertFalse($steps->begun());
    }

    public function testWhatIsThereIsDoneWhateverWasSaid(): void
    {
        $steps = new FirstSteps([Step::Terms], ['terms' => State::LeftOut, 'mail' => State::LeftOut]);
        self::assertSame(State::Done, $steps->state(Step::Terms));
        self::assertSame(State::LeftOut, $steps->state(Step::Mail));
        self::assertSame(State::Open, $steps->state(Step::Site));
        self::assertTrue($steps->begun());
    }

    /** Whoever goes from step to step, doing or leaving out each, comes to an end, in any order. */
    public function testGoingOnVisitsEachOpenStepOnce(): void
    {
        mt_srand(3);
        for ($n = 0; $n < 200; ++$n) {
            $said = [];
            foreach (Step::cases() as $step) {
                if (0 === mt_rand(0, 2)) {
                    $said[$step->value] = 0 === mt_rand(0, 1) ? State::Done : State::LeftOut;
                }
            }
            $open = (new FirstSteps([], $said))->open();
            $at = Step::cases()[array_rand(Step::cases())];
            $visited = [];
            for ($next = $at; null !== $next; $next = (new FirstSteps([], $said))->after($next)) {
                $visited[] = $next;
                $said[$next->value] = State::Done;
            }
            $asked = array_values(array_filter($visited, static fn(Step $step): bool => \in_array($step, $open, true)));
            self::assertEqualsCanonicalizing($open, $asked);
            self::assertSame([], (new FirstSteps([], $said))->open());
        }
    }
}
