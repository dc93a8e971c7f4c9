<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Cohorts;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Changes\LineComputer;
use MintDoor\Core\Cohorts\Link;
use MintDoor\Core\Cohorts\Membership;
use MintDoor\Core\Cohorts\Step;
use MintDoor\Core\Cohorts\StepKind;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Time\Spans;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use MintDoor\Demo\Dice;
use MintDoor\Tests\Core\World;
use PHPUnit\Framework\TestCase;

/** What a connection does for one person, step by step. */
final class StepTest extends TestCase
{
    use TestTrait;

    private const DAY = 86_400;

    public function testAccessGoesOnAsTheSentenceSays(): void
    {
        $belongs = Spans::of(new Window(100, 200));
        $windows = static fn(Link $link): array => $link->access($belongs)->windows;
        self::assertEquals([new Window(150, 200)], $windows(new Link('c', 's', 150)));
        self::assertEquals([new Window(100, 200 + 7 * self::DAY)], $windows(new Link('c', 's', days: 7)));
        self::assertEquals([new Window(100, 500)], $windows(new Link('c', 's', until: 500)));
        self::assertEquals([new Window(100, 200)], $windows(new Link('c', 's', until: 150)), 'the term was over');
        $later = new Link('c', 's', until: 900, before: 300, earlier: 250);
        self::assertEquals([new Window(100, 250)], $windows($later), 'their term was the one before');
        self::assertSame([], $windows(new Link('c', 's', 200, 7)), 'who was never there by it keeps nothing');
        $open = Spans::of(new Window(0));
        self::assertEquals($open, (new Link('c', 's', days: 7))->access($open)->from(0));
    }

    public function testWhatIsNextFollowsFromWhatIsThere(): void
    {
        $step = static fn(Spans $wanted, ?Window $has): StepKind => Step::of($wanted, $has, 100)->kind;
        $later = Spans::of(new Window(200, 300));
        self::assertSame(StepKind::None, $step(Spans::of(new Window(0, 100)), null));
        self::assertSame(StepKind::Come, $step($later, null));
        self::assertSame(StepKind::None, $step($later, new Window(200, 300)));
        self::assertSame(StepKind::None, $step(Spans::of(new Window(50, 300)), new Window(0, 300)), 'the past is past');
        self::assertSame(StepKind::Change, $step($later, new Window(200, 301)));
        self::assertSame(StepKind::Go, $step(Spans::never(), new Window(200, 301)));
        $twice = Step::of($later->or(Spans::of(new Window(400))), null, 100);
        self::assertSame([300, 200], [$twice->again, $twice->window?->from]);
        $takes = static fn(Spans $wanted, Window $has): bool => Step::of($wanted, $has, 100)->takes;
        self::assertTrue($takes(Spans::never(), new Window(0)));
        self::assertTrue($takes($later, new Window(200, 301)));
        self::assertFalse($takes($later, new Window(200, 299)));
        self::assertTrue($takes($later, new Window(100, 300)), 'They were to be there before.');
    }

    public function testThePastStaysAndTheFutureFollows(): void
    {
        $kept = Spans::of(new Window(0, 10))->or(Spans::of(new Window(20, 90)));
        $renewed = Membership::renewed($kept, Spans::of(new Window(50, 60)), 50);
        self::assertEquals([new Window(0, 10), new Window(20, 60)], $renewed->windows);
        $left = Membership::renewed($kept, Spans::never(), 50);
        self::assertEquals([new Window(0, 10), new Window(20, 50)], $left->windows);
    }

    /** However what is wanted becomes something else: the roster says so, and a second look does nothing. */
    public function testTheRosterFollowsWhatIsWanted(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(function (int $seed): void {
            $dice = new Dice($seed);
            $world = World::withPeople(new Site('s', 'seniors', opensAt: 0));
            $world->now = 0;
            for ($turn = 0; $turn < 5; ++$turn) {
                $wanted = Drawn::spans($dice);
                // Also looked at when it says that it is to be.
                for ($again = $world->now; null !== $again;) {
                    $world->now = $again;
                    $again = $this->step($world, $wanted)->again;
                    self::assertSame(StepKind::None, $this->look($world, $wanted)->kind);
                    $next = $wanted->from($world->now)->windows[0] ?? null;
                    $has = $world->enrollment('learner0')->windowAt('link', $world->now);
                    self::assertEquals(
                        $next,
                        null === $has ? null : new Window(max($world->now, $has->from), $has->until)
                    );
                    if ($again > Drawn::END || $dice->chance(30)) {
                        break;
                    }
                }
                $until = $world->now + 1 + $dice->below(6);
                for (; $world->now < $until; ++$world->now) {
                    $here = State::Current === $world->enrollment('learner0')->timeline()->at($world->now)?->state;
                    if (null === $again || $world->now < $again) {
                        self::assertSame($wanted->contains($world->now), $here, "at $world->now");
                    }
                }
            }
        });
    }

    private function look(World $world, Spans $wanted): Step
    {
        return Step::of($wanted, $world->enrollment('learner0')->windowAt('link', $world->now), $world->now);
    }

    private function step(World $world, Spans $wanted): Step
    {
        $step = $this->look($world, $wanted);
        $computer = new LineComputer($world);
        $context = $world->context('learner0');
        $window = $step->window ?? new Window($world->now, Time::FOREVER);
        $line = match ($step->kind) {
            StepKind::None => null,
            StepKind::Go => $computer->goAgain($context, ['link']),
            default => $computer->stayFor($context, 'link', DoorKind::Cohort, 'learner', $window, null),
        };
        if (null !== $line) {
            $world->enrollments['learner0'] = $line->result;
        }

        return $step;
    }
}
