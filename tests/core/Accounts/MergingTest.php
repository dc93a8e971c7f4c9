<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Accounts;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Accounts\MergeStep;
use MintDoor\Core\Accounts\Merging;
use MintDoor\Core\Changes\Verb;
use MintDoor\Core\Changes\Wanted;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Time\Window;
use MintDoor\Demo\Dice;
use MintDoor\Tests\Core\World;
use PHPUnit\Framework\TestCase;

final class MergingTest extends TestCase
{
    use TestTrait;

    public function testWhatTheOneWhoGoesHasTheOneWhoStaysGets(): void
    {
        $world = self::world();
        $world->apply('learner1', Verb::LetIn, 'learner', new Window($world->now, 5_000));
        self::assertSame(['stays let-in learner 5000', 'goes remove'], self::steps($this->merge($world)));
        $world->apply('learner0', Verb::LetIn, 'learner');
        self::assertSame(['goes remove'], self::steps($this->merge($world)));
    }

    public function testTwoRolesAreForSomebodyToSettle(): void
    {
        $world = self::world();
        $world->apply('learner0', Verb::LetIn, 'learner');
        $world->apply('learner1', Verb::LetIn, 'day-guest');
        $asked = $this->merge($world);
        self::assertSame([[], ['learner', 'day-guest']], [$asked->steps, $asked->between]);
        self::assertSame(['goes remove'], self::steps($this->merge($world, 'learner')));
        self::assertSame(
            ['stays change-role day-guest', 'goes remove'],
            self::steps($this->merge($world, 'day-guest')),
        );
        self::assertNotNull($this->merge($world, 'lead-tutor')->between);
    }

    public function testWhoeverIsKeptOutStaysKeptOut(): void
    {
        $world = self::world();
        $world->apply('learner1', Verb::Block);
        self::assertSame(['stays block'], self::steps($this->merge($world)));
        $world->apply('learner0', Verb::Block);
        self::assertSame([], self::steps($this->merge($world)));
    }

    /**
     * Once the steps are made, the one who goes is nowhere, and the one who stays has a role the other had or keeps
     * their own.
     */
    public function testAfterMergingNobodyIsThereTwice(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(function (int $seed): void {
            $world = self::world();
            $dice = new Dice($seed);
            foreach (['learner0', 'learner1'] as $person) {
                if ($dice->chance(70)) {
                    $world->apply(
                        $person,
                        Verb::LetIn,
                        $dice->one(['learner', 'day-guest']),
                        $dice->chance(30) ? new Window($world->now + 50) : null,
                    );
                    $dice->chance(30)
                        && $world->apply($person, $dice->one([Verb::Pause, Verb::Remove, Verb::Block]));
                }
            }
            $was = $world->enrollment('learner1')->timeline()->at($world->now);
            $merging = $this->merge($world);
            $merging = $this->merge($world, $dice->one($merging->between ?? ['none']) ?: null);
            foreach ($merging->steps as $step) {
                $line = $world->apply(
                    $step->stays ? 'learner0' : 'learner1',
                    $step->wanted->verb,
                    $step->wanted->role,
                    $step->wanted->window,
                );
                self::assertNotSame([], $line->effects);
            }
            $goes = $world->enrollment('learner1')->timeline()->at($world->now);
            $stays = $world->enrollment('learner0')->timeline()->at($world->now);
            self::assertFalse($goes?->state->here() ?? false);
            self::assertTrue(!($was?->state->here() ?? false) || null !== $stays);
            self::assertTrue(State::Blocked !== $was?->state || State::Blocked === $stays?->state);
        });
    }

    private function merge(World $world, ?string $role = null): Merging
    {
        return Merging::inSite(
            $world->enrollment('learner0')->timeline(),
            $world->enrollment('learner1')->timeline(),
            $world->now,
            $world->roles,
            $role,
        );
    }

    private static function world(): World
    {
        return World::withPeople(new Site('s', 'seniors'));
    }

    /** @return list<string> */
    private static function steps(Merging $merging): array
    {
        return array_map(
            static fn(MergeStep $step): string => trim(
                ($step->stays ? 'stays ' : 'goes ').self::word($step->wanted),
            ),
            $merging->steps,
        );
    }

    private static function word(Wanted $wanted): string
    {
        return trim(
            $wanted->verb->value.' '.$wanted->role.' '.(null === $wanted->window ? '' : $wanted->window->until),
        );
    }
}
