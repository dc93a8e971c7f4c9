<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Changes;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Changes\TermStep;
use MintDoor\Core\Changes\TermTurn;
use MintDoor\Core\Roles\FirstRoles;
use MintDoor\Core\Roster\Segment;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use PHPUnit\Framework\TestCase;

/** Who leaves a site when its term changes, and who stays. */
final class TermTurnTest extends TestCase
{
    use TestTrait;

    private const NOW = 1_000;
    private const TERM_ENDS = 2_000;

    public function testWhoIsMeantLeaves(): void
    {
        $of = static fn(TermTurn $turn, string $role, string ...$sections): TermStep => $turn->of(
            'ada',
            self::here($role, sections: array_values($sections)),
            self::NOW,
        );
        self::assertSame(TermStep::Leaves, $of(self::turn('learners'), 'learner'));
        self::assertSame(TermStep::Stays, $of(self::turn('nobody'), 'learner'));
        self::assertSame(TermStep::Leaves, $of(self::turn('sections'), 'learner', 'evening'));
        self::assertSame(TermStep::Stays, $of(self::turn('sections'), 'learner', 'morning'));
        self::assertSame(TermStep::Leaves, $of(self::turn('cohort', cohort: ['ada' => true]), 'learner'));
        self::assertSame(TermStep::Stays, $of(self::turn('cohort', cohort: ['bo' => true]), 'learner'));
        self::assertSame(TermStep::Stays, $of(self::turn('learners'), 'class-assistant'));
        self::assertSame(TermStep::Leaves, $of(self::turn('learners', others: true), 'class-assistant'));
        self::assertSame(TermStep::LeavesSection, $of(self::turn('nobody', emptied: true), 'learner', 'evening'));
        self::assertSame(TermStep::Stays, $of(self::turn('nobody', emptied: true), 'class-assistant', 'evening'));
    }

    public function testWhatEndsWithTheTermGoesOnWithTheNextForThoseWhoStay(): void
    {
        $ends = self::here('learner', self::TERM_ENDS);
        self::assertSame(TermStep::StaysOn, self::turn('nobody')->of('ada', $ends, self::NOW));
        self::assertSame(TermStep::Ends, self::turn('learners')->of('ada', $ends, self::NOW));
        $guest = self::here('learner', 1_500);
        self::assertSame(TermStep::Stays, self::turn('nobody')->of('ada', $guest, self::NOW), 'their own end');
    }

    public function testLeadsAndThoseWhoComeAndFollowStayAndWhoIsNotHereIsLeftAlone(): void
    {
        $this
            ->forAll(
                Generators::elements('nobody', 'learners', 'cohort', 'sections'),
                Generators::elements('learner', 'class-assistant', FirstRoles::LEAD),
                Generators::elements(...State::cases()),
                Generators::elements(['evening'], ['morning'], []),
                Generators::vector(4, Generators::bool()),
            )
            ->then(static function (string $leave, string $role, State $state, array $sections, array $flags): void {
                \assert(\in_array($leave, ['nobody', 'learners', 'cohort', 'sections'], true));
                [$others, $emptied, $comes, $follows] = $flags;
                $step = self::turn($leave, ['ada' => true], $others, $emptied, $comes, $follows)
                    ->of(
                        'ada',
                        self::here($role, Time::FOREVER, array_values(array_filter($sections, is_string(...))), $state),
                        self::NOW
                    );
                $here = State::Current === $state || State::Paused === $state;
                self::assertSame($here, TermStep::None !== $step);
                if ($here && ($comes || $follows || FirstRoles::LEAD === $role)) {
                    self::assertNotContains($step, [TermStep::Leaves, TermStep::Ends]);
                }
                if (TermStep::Leaves === $step) {
                    self::assertTrue('learner' === $role ? 'nobody' !== $leave : $others);
                }
                self::assertSame($here && $follows, TermStep::Follows === $step);
            });
    }

    /** @param list<string> $sections */
    private static function here(
        string $role,
        int $until = Time::FOREVER,
        array $sections = [],
        State $state = State::Current,
    ): Timeline {
        return new Timeline([new Segment(new Window(0, $until), $state, [$role], true, 0, $sections)]);
    }

    /**
     * @param 'nobody'|'learners'|'cohort'|'sections' $leave
     * @param array<string, true>                     $cohort
     */
    private static function turn(
        string $leave,
        array $cohort = [],
        bool $others = false,
        bool $emptied = false,
        bool $comes = false,
        bool $follows = false,
    ): TermTurn {
        return new TermTurn(
            FirstRoles::book(['juniors'], ['seniors']),
            $leave,
            $cohort,
            ['evening'],
            $others,
            $emptied,
            self::TERM_ENDS,
            self::TERM_ENDS,
            $comes ? ['ada' => true] : [],
            $follows ? ['ada' => true] : [],
        );
    }
}
