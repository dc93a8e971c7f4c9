<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Changes;

use MintDoor\Core\Changes\FixPlanner;
use MintDoor\Core\Changes\LineComputer;
use MintDoor\Core\Changes\Verb;
use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Roster\Cause;
use MintDoor\Core\Roster\Enrollment;
use MintDoor\Core\Roster\Entry;
use MintDoor\Core\Roster\Grant;
use MintDoor\Core\Roster\Override;
use MintDoor\Core\Roster\OverrideKind;
use MintDoor\Core\Roster\Reason;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Time\Window;
use MintDoor\Demo\Dice;
use MintDoor\Tests\Core\World;
use PHPUnit\Framework\TestCase;

final class FixPlannerTest extends TestCase
{
    public function testTheChangesNamedAreEnoughAndEachIsNeeded(): void
    {
        $verbs = [
            'lift' => Verb::Unblock,
            'resume' => Verb::Resume,
            'bring-back' => Verb::BringBack,
            'move-start' => Verb::ChangeDates,
            'let-in' => Verb::LetIn,
        ];
        $tried = 0;
        for ($seed = 0; $seed < 300; ++$seed) {
            $dice = new Dice($seed);
            $world = World::withPeople(
                new Site('s', 'seniors', opensAt: 0, sections: World::sections(), several: true),
            );
            $world->now = 20;
            // Staff, whom no role of the random ones is refused.
            $world->enrollments['staff1'] = self::forStaff(World::randomEnrollment($dice, 3));
            $reason = static fn(): Reason => (new FixPlanner(new LineComputer($world)))->reason(
                $world->context('staff1'),
            );
            $named = array_map(static fn(Cause $cause): string => $cause->change, $reason()->causes);
            if (Entry::No !== $reason()->entry || [] !== array_diff($named, array_keys($verbs))) {
                continue;
            }
            ++$tried;
            foreach ($named as $change) {
                self::assertSame(Entry::No, $reason()->entry, 'one less is not enough');
                $line = $world->apply(
                    'staff1',
                    $verbs[$change],
                    'let-in' === $change ? 'co-tutor' : null,
                    'move-start' === $change ? new Window($world->now) : null,
                );
                self::assertSame('ready', $line->verdict->value, $change.' '.json_encode($line->reasons));
            }
            self::assertNotSame(Entry::No, $reason()->entry, implode(', ', $named));
        }
        self::assertGreaterThan(60, $tried);
    }

    private static function forStaff(Enrollment $enrollment): Enrollment
    {
        return new Enrollment(
            array_map(
                static fn(Grant $grant): Grant => new Grant(
                    $grant->id,
                    $grant->doorId,
                    $grant->door,
                    'co-tutor',
                    $grant->givenAt,
                    $grant->window,
                    $grant->acceptedAt,
                    overrides: $grant->overrides,
                ),
                $enrollment->grants,
            ),
            array_values(
                array_filter(
                    $enrollment->overrides,
                    static fn(Override $override): bool => OverrideKind::Role !== $override->kind
                ),
            ),
        );
    }

    public function testWhatStandsBehindAKeepOutAnAccountAndADraftIsSaid(): void
    {
        $world = World::withPeople(new Site('s', 'seniors'));
        $world->people['learner0'] = new Person('learner0', PersonKind::Learner, 'seniors', 7, 500);
        $world->apply('learner0', Verb::LetIn, 'learner');
        $world->apply('learner0', Verb::Pause);
        $world->apply('learner0', Verb::Block);
        self::assertSame(
            ['blocked', 'removed', 'paused', 'account-closed', 'draft'],
            self::codes($world, 'learner0'),
        );
    }

    public function testWhoWasTakenOutLongAgoIsSaidToHaveBeen(): void
    {
        $world = World::withPeople(new Site('s', 'seniors', opensAt: 0));
        $world->apply('learner0', Verb::LetIn, 'learner');
        $world->now = 1_500;
        $world->apply('learner0', Verb::Remove);
        $world->now = 1_700;
        $world->apply('learner0', Verb::Block);
        $world->now = 2_000;
        $causes = (new FixPlanner(new LineComputer($world)))->reason($world->context('learner0'))->causes;
        self::assertSame(['removed', 1_500], [$causes[1]->code, $causes[1]->values['at']]);
    }

    public function testAFullSiteIsACauseOfItsOwn(): void
    {
        $world = World::withPeople(new Site('s', 'seniors', seats: 1, opensAt: 0));
        $world->apply('learner0', Verb::LetIn, 'learner');
        self::assertSame(['never-here', 'no-seat'], self::codes($world, 'learner1'));
    }

    /** @return list<string> */
    private static function codes(World $world, string $person): array
    {
        return array_map(
            static fn(Cause $cause): string => $cause->code,
            (new FixPlanner(new LineComputer($world)))->reason($world->context($person))->causes,
        );
    }
}
