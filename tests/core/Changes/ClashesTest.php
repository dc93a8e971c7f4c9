<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Changes;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Changes\ComputedChange;
use MintDoor\Core\Changes\Note;
use MintDoor\Core\Changes\Verb;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\Changes\Wanted;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Time\Window;
use MintDoor\Core\Weeks\Attending;
use MintDoor\Core\Weeks\Clashes;
use MintDoor\Core\Weeks\Commitments;
use MintDoor\Core\Weeks\Meeting;
use MintDoor\Tests\Core\World;
use PHPUnit\Framework\TestCase;

/** Nobody comes to be wanted in two places at once unless somebody says that it is meant. */
final class ClashesTest extends TestCase
{
    use TestTrait;

    public function testWhoHasSomethingElseThenIsAskedAbout(): void
    {
        $world = self::world([self::meeting('morning', 1_200)], [self::meeting(null, 1_230, 'jazz')]);
        $line = $world->does('learner0', new Wanted(Verb::LetIn, 'learner', section: 'morning'));
        self::assertSame(Verdict::NeedsChoice, $line->verdict);
        self::assertEquals(
            new Note('clash', [
                'section' => 'morning',
                'otherSite' => 'jazz',
                'otherSection' => null,
                'at' => 1_230,
                'times' => 1,
                'more' => 0,
            ]),
            $line->reasons[0],
        );
        $meant = $world->does('learner0', new Wanted(Verb::LetIn, 'learner', section: 'morning', clash: true));
        self::assertSame([Verdict::Ready, 'clash'], [$meant->verdict, self::clash($meant)?->code]);
    }

    public function testAnotherSectionIsFine(): void
    {
        $here = [self::meeting('morning', 1_200), self::meeting('evening', 1_900)];
        $world = self::world($here, [self::meeting(null, 1_230, 'jazz')]);
        $line = $world->does('learner0', new Wanted(Verb::LetIn, 'learner', section: 'evening'));
        self::assertSame([Verdict::Ready, null], [$line->verdict, self::clash($line)]);
        self::assertSame(Verdict::NeedsChoice, $world->does('learner0', self::into('morning'))->verdict);
        self::assertSame(Verdict::Ready, $world->does('learner0', self::into('morning', true))->verdict);
    }

    public function testWhatIsOverWhenTheOtherBeginsDoesNotClash(): void
    {
        $world = self::world([self::meeting('morning', 1_200)], [self::meeting(null, 1_230, 'jazz')]);
        $until = new Wanted(Verb::LetIn, 'learner', new Window(1_000, 1_100), 'morning');
        self::assertSame(Verdict::Ready, $world->does('learner0', $until)->verdict);
        // To stay longer is to come to have it.
        $longer = new Wanted(Verb::ChangeDates, window: new Window(1_000, 1_500));
        self::assertSame(Verdict::NeedsChoice, $world->does('learner0', $longer)->verdict);
    }

    public function testTwoSectionsOfOneSiteClashToo(): void
    {
        $world = self::world([self::meeting('morning', 1_200), self::meeting('evening', 1_210)], [], true);
        $world->does('learner0', new Wanted(Verb::LetIn, 'learner', section: 'morning'));
        self::assertSame(Verdict::NeedsChoice, $world->does('learner0', self::into('evening'))->verdict);
    }

    public function testWhatIsTakenBackIsNotAskedAboutAgain(): void
    {
        $world = self::world([self::meeting('morning', 1_200)], [self::meeting(null, 1_230, 'jazz')]);
        $world->does('learner0', new Wanted(Verb::LetIn, 'learner', section: 'morning', clash: true));
        $gone = $world->apply('learner0', Verb::Remove);
        ++$world->now;
        self::assertSame(Verdict::Ready, $world->undo('learner0', $gone->effects)->verdict);
    }

    public function testNoHistoryOfChangesBringsAClashThatNobodyMeant(): void
    {
        $times = Generators::seq(Generators::tuple(Generators::choose(0, 20), Generators::elements('a', 'b', 'x')));
        $acts = Generators::seq(
            Generators::tuple(Generators::elements('in', 'put', 'pause', 'remove', 'back'), Generators::bool()),
        );
        $this
            ->forAll($times, $acts)
            ->then(static function (array $times, array $acts): void {
                $here = $elsewhere = [];
                foreach ($times as $n => [$at, $of]) {
                    $section = ['a' => 'morning', 'b' => 'evening', 'x' => null][$of];
                    $meeting = self::meeting($section, 1_050 + 20 * (int) $at, 'x' === $of ? 'jazz' : 's', "h$n");
                    'x' === $of ? ($elsewhere[] = $meeting) : ($here[] = $meeting);
                }
                $world = self::world($here, $elsewhere, true);
                $had = Clashes::among(Attending::of($world->enrollment('learner0')->timeline(), $here));
                foreach ($acts as [$act, $morning]) {
                    $section = $morning ? 'morning' : 'evening';
                    $line = $world->does('learner0', match ($act) {
                        'in' => new Wanted(Verb::LetIn, 'learner', section: $section),
                        'put' => self::into($section),
                        'pause' => new Wanted(Verb::Pause, window: new Window($world->now, $world->now + 100)),
                        'remove' => new Wanted(Verb::Remove),
                        default => new Wanted(Verb::BringBack),
                    });
                    self::assertNull(self::clash($line));
                    $mine = Attending::of($world->enrollment('learner0')->timeline(), $here);
                    self::assertSame($had, Clashes::among($mine));
                    self::assertSame([], Clashes::between($mine, $elsewhere));
                    ++$world->now;
                }
            });
    }

    private static function clash(ComputedChange $line): ?Note
    {
        return array_values(
            array_filter($line->cautions, static fn(Note $note): bool => 'clash' === $note->code),
        )[0] ?? null;
    }

    private static function into(string $section, bool $clash = false): Wanted
    {
        return new Wanted(Verb::PutInSection, section: $section, clash: $clash);
    }

    private static function meeting(?string $section, int $from, string $site = 's', ?string $hours = null): Meeting
    {
        return new Meeting($hours ?? $site.$section, $site, $section, $from, $from + 60);
    }

    /**
     * @param list<Meeting> $here
     * @param list<Meeting> $elsewhere
     */
    private static function world(array $here, array $elsewhere, bool $several = false): World
    {
        $site = new Site('s', 'seniors', opensAt: 0, sections: World::sections(), several: $several);
        $world = World::withPeople($site);
        $world->weeks['learner0'] = Commitments::at($here)->and($elsewhere);

        return $world;
    }
}
