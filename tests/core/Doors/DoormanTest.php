<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Doors;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Doors\Admission;
use MintDoor\Core\Doors\Doorman;
use MintDoor\Core\Doors\DoorTerms;
use MintDoor\Core\Doors\InviteVerdict;
use MintDoor\Core\Doors\KeyStrength;
use MintDoor\Core\Doors\Passage;
use MintDoor\Core\Doors\Standers;
use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Roles\FirstRoles;
use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Roles\RoleVerdict;
use MintDoor\Core\Roster\Segment;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Sites\LevelBand;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Time\Window;
use MintDoor\Demo\Dice;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class DoormanTest extends TestCase
{
    use TestTrait;

    private const NOW = 1_000;

    /** @param list<string> $divisions */
    #[TestWith([true, [], null, false, 10, true], 'anyone')]
    #[TestWith([false, [], null, false, 10, false], 'nobody without an account')]
    #[TestWith([false, [], 'juniors', false, 10, true], 'everybody with one')]
    #[TestWith([false, ['seniors'], 'juniors', false, 10, false], 'another division')]
    #[TestWith([false, ['seniors'], 'seniors', false, 10, true], 'its division')]
    #[TestWith([false, ['seniors'], 'faculty', true, 10, true], 'its administrators')]
    #[TestWith([true, [], null, false, 20, false], 'once it is over')]
    #[TestWith([true, [], null, false, 4, false], 'before it opens')]
    public function testALookInIsForThoseItSays(
        bool $anyone,
        array $divisions,
        ?string $division,
        bool $administrator,
        int $now,
        bool $may,
    ): void {
        self::assertSame(
            $may,
            (new Doorman(new RoleBook([])))->mayPreview(
                new DoorTerms('', hours: new Window(5, 20), divisions: $divisions),
                $anyone,
                $division,
                $administrator,
                $now,
            ),
        );
        self::assertFalse(
            (new Doorman(new RoleBook([])))->mayPreview(
                new DoorTerms('', false),
                $anyone,
                $division,
                $administrator,
                $now
            ),
            'A shut door shows nothing.',
        );
    }

    #[TestWith(['a@example.org', false, false, null, true, null, 'ready'])]
    #[TestWith([null, false, false, null, true, null, 'no-address'])]
    #[TestWith(['a@@example', false, false, null, true, null, 'malformed'])]
    #[TestWith(['a@example.org', true, true, State::Current, true, null, 'repeat'])]
    #[TestWith(['a@example.org', false, true, null, true, null, 'invited'])]
    #[TestWith(['a@example.org', false, false, State::Blocked, true, true, 'blocked'])]
    #[TestWith(['a@example.org', false, false, State::Paused, true, true, 'here'])]
    #[TestWith(['a@example.org', false, false, State::Waiting, true, true, 'ready'])]
    #[TestWith(['a@example.org', false, false, State::Removed, true, true, 'ready'])]
    #[TestWith(['a@example.org', false, false, null, false, true, 'account'])]
    #[TestWith(['a@example.org', false, false, null, true, false, 'role'])]
    public function testWhoCanBeInvited(
        ?string $address,
        bool $repeated,
        bool $invited,
        ?State $here,
        bool $account,
        ?bool $role,
        string $verdict,
    ): void {
        self::assertSame(
            $verdict,
            InviteVerdict::of(
                $address,
                $repeated,
                $invited,
                $here,
                $account,
                null === $role ? null : ($role ? RoleVerdict::yes() : RoleVerdict::no('not-yours')),
            )->value,
        );
    }

    public function testWhoeverTheDoorIsForComesInOrIsApprovedOrWaits(): void
    {
        self::assertSame(Passage::In, self::admit()->passage);
        self::assertSame(Passage::Approval, self::admit(new DoorTerms('learner', approval: true))->passage);
        self::assertSame(Passage::Line, self::admit(new DoorTerms('learner', waiting: true), free: 0)->passage);
        self::assertSame(['no-seat', Passage::No], [self::admit(free: 0)->code, self::admit(free: 0)->passage]);
        // Two wait for two seats: the next one waits behind them.
        self::assertSame(
            Passage::Line,
            self::admit(new DoorTerms('learner', waiting: true), free: 2, waiting: 2)->passage,
        );
        self::assertSame(Passage::In, self::admit(new DoorTerms('day-guest'), free: 0)->passage);
    }

    public function testWhatKeepsPeopleOutIsSaidWithWhatToDo(): void
    {
        $codes = static fn(Admission $admission): string => $admission->code.' '.$admission->next;
        self::assertSame(
            [
                'shut ask-lead',
                'not-yet come-back',
                'over ask-lead',
                'wrong-division ask-lead',
                'wrong-level ask-lead',
                'wrong-address ask-lead',
                'no-address ask-lead',
                'wrong-kind ask-lead',
                'no-seat ask-lead',
                'blocked ask-lead',
                'unbacked ask-lead',
            ],
            array_map($codes, [
                self::admit(new DoorTerms('learner', open: false)),
                self::admit(new DoorTerms('learner', hours: new Window(2_000))),
                self::admit(new DoorTerms('learner', hours: new Window(0, self::NOW))),
                self::admit(new DoorTerms('learner', divisions: ['juniors'])),
                self::admit(new DoorTerms('learner', levels: new LevelBand(8, 9))),
                self::admit(new DoorTerms('learner', domains: ['example.net'])),
                self::admit(new DoorTerms('learner', domains: ['example.org']), address: null),
                self::admit(new DoorTerms('lead-tutor')),
                self::admit(new DoorTerms('learner', seats: 3), through: 3),
                self::admit(here: State::Blocked),
                self::admit(backed: false),
            ]),
        );
    }

    public function testOnceMoreIsAsGoodAsOnceAlsoWhenTheDoorIsShutByThen(): void
    {
        foreach ([State::Current, State::Paused, State::Upcoming] as $state) {
            self::assertSame(
                Passage::Already,
                self::admit(new DoorTerms('learner', open: false, seats: 0), here: $state)->passage,
            );
        }
        self::assertSame(Passage::In, self::admit(here: State::Removed)->passage);
        self::assertSame(Passage::Approval, self::admit(here: State::Removed, removed: true)->passage);
        self::assertSame(Passage::Approval, self::admit(free: 0, removed: true)->passage, 'a seat in line is no yes');
    }

    /**
     * Whatever the door and whoever stands before it: nobody grants a shut one, nobody without a seat, nobody who is
     * blocked; and who cannot come in is never told to wait.
     */
    public function testLawsOfDoors(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $dice = new Dice($seed);
            $door = new DoorTerms(
                $dice->one(['learner', 'day-guest', 'co-tutor']),
                $dice->chance(80),
                $dice->chance(30),
                new Window($from = $dice->between(0, 1_200), max($from, $dice->between(500, 2_500))),
                $dice->chance(50) ? $dice->below(4) : null,
                $dice->chance(30) ? ['juniors'] : [],
                $dice->chance(30) ? new LevelBand(6, 8) : null,
                $dice->chance(20) ? ['example.net'] : [],
                $dice->chance(50),
            );
            $here = $dice->chance(40)
                ? State::from($dice->one(['current', 'blocked', 'removed', 'ended', 'waiting']))
                : null;
            $free = $dice->chance(50) ? $dice->below(3) : null;
            [$through, $waiting] = [$dice->below(4), $dice->below(3)];
            $address = $dice->chance(80) ? 'person@example.org' : null;
            $admission = self::admit($door, $address, $here, $through, $free, $waiting);
            self::assertEquals($admission, self::admit($door, $address, $here, $through, $free, $waiting));
            if (\in_array($admission->passage, [Passage::In, Passage::Approval, Passage::Line], true)) {
                self::assertTrue($door->open && $door->hours->contains(self::NOW));
                self::assertNotSame(State::Blocked, $here);
                self::assertNotSame(State::Current, $here);
                self::assertSame([], array_diff($door->divisions, ['seniors']));
            }
            if (Passage::In === $admission->passage) {
                self::assertTrue(null === $door->seats || $through < $door->seats);
                self::assertTrue('learner' !== $door->role || null === $free || $free > $waiting);
                self::assertFalse($door->approval);
            }
            self::assertTrue(Passage::Line !== $admission->passage || $door->waiting);
            self::assertSame(
                Passage::No === $admission->passage,
                \in_array($admission->next, ['ask-lead', 'come-back', 'none'], true),
            );
        });
    }

    public function testWhoeverWaitsAlreadyMayComeIn(): void
    {
        self::assertSame(Passage::In, self::admit(here: State::Waiting)->passage);
        self::assertSame(Passage::Already, self::admit(here: State::Paused)->passage);
    }

    public function testADoorThatNobodyStandsBehindAsksNobodyForAnything(): void
    {
        self::assertSame('unbacked', self::admit(removed: true, backed: false)->code);
    }

    public function testASeatThatIsKeptIsTheirsWhateverTheDoorSays(): void
    {
        $door = new DoorTerms('learner', seats: 1, approval: true);
        $admission = self::doorman()->admit(
            $door,
            new Site('s', 'seniors', opensAt: 0),
            new Person('p', PersonKind::Learner, 'seniors', 7),
            null,
            null,
            self::NOW,
            1,
            0,
            kept: true,
        );
        self::assertSame(Passage::In, $admission->passage);
    }

    public function testTheHoursOfADoorBeginWithTheirFirstInstantAndEndBeforeTheirLast(): void
    {
        $code = static fn(Window $hours): string => self::admit(new DoorTerms('learner', hours: $hours))->code;
        self::assertNotSame('not-yet', $code(new Window(self::NOW, self::NOW + 1)));
        self::assertSame('not-yet', $code(new Window(self::NOW + 1, self::NOW + 2)));
        self::assertSame('over', $code(new Window(self::NOW - 1, self::NOW)));
    }

    public function testALearnerWhoseLevelNobodyKnowsIsOfNoneOfTheLevels(): void
    {
        $admission = self::doorman()->admit(
            new DoorTerms('learner', levels: new LevelBand(6, 8)),
            new Site('s', 'seniors', opensAt: 0),
            new Person('p', PersonKind::Learner, 'seniors'),
            null,
            null,
            self::NOW,
            0,
            null,
        );
        self::assertSame(Passage::No, $admission->passage);
    }

    public function testOneWaitsForASeatOfASection(): void
    {
        $door = new DoorTerms('learner', waiting: true);
        self::assertSame(Passage::Line, self::admit($door, placed: 0)->passage);
        self::assertSame(Passage::Line, self::admit($door, placed: 1, beside: 1)->passage);
        self::assertSame(Passage::In, self::admit($door, placed: 2, beside: 1)->passage);
        self::assertSame('no-seat', self::admit(placed: 0)->code);
        $staff = self::doorman()->admit(
            new DoorTerms('class-assistant'),
            new Site('s', 'seniors', opensAt: 0),
            new Person('p', PersonKind::Staff, 'seniors'),
            null,
            null,
            self::NOW,
            0,
            null,
            placed: 0,
        );
        self::assertSame(Passage::In, $staff->passage);
    }

    public function testTheLastSeatIsForWhoeverWaitsForIt(): void
    {
        self::assertSame(Passage::In, self::admit(free: 2, waiting: 1)->passage);
        self::assertSame(Passage::No, self::admit(free: 1, waiting: 1)->passage);
    }

    public function testReachCountsEverybodyOnce(): void
    {
        $people = [];
        foreach ([null, State::Current, State::Blocked, State::Removed] as $n => $state) {
            $people[] = new Standers(
                new Person('p'.$n, PersonKind::Learner, 'seniors', 7),
                null,
                self::segment($state),
                1
            );
        }
        $people[] = new Standers(new Person('j', PersonKind::Learner, 'juniors', 3), null, null, 3);
        self::assertSame(
            ['could' => 2, 'here' => 1, 'blocked' => 1, 'not' => 3],
            self::doorman()->reach(
                new DoorTerms('learner', seats: 1, divisions: ['seniors']),
                new Site('s', 'seniors'),
                $people,
                self::NOW,
            ),
        );
    }

    #[TestWith(['Harmony2026', 'of-the-site'])]
    #[TestWith(['short', 'too-short'])]
    #[TestWith(['aaaaaaaaaaaa', 'too-plain'])]
    #[TestWith(['abcabcabcabc', 'too-plain'])]
    #[TestWith(['oboes at dawn', null])]
    #[TestWith(['harmony-of-oboes', null])]
    #[TestWith(['password 1234', 'of-the-site'])]
    public function testAChosenKeyIsHardToGuessForThoseWhoKnowTheSite(string $chosen, ?string $problem): void
    {
        self::assertSame($problem, KeyStrength::problem($chosen, 'Harmony & Ear Training II HET-2 Millrace Seniors'));
    }

    private static function admit(
        DoorTerms $door = new DoorTerms('learner'),
        ?string $address = 'person@example.org',
        ?State $here = null,
        int $through = 0,
        ?int $free = null,
        int $waiting = 0,
        bool $removed = false,
        bool $backed = true,
        ?int $placed = null,
        int $beside = 0,
    ): Admission {
        return self::doorman()->admit(
            $door,
            new Site('s', 'seniors', opensAt: 0),
            new Person('p', PersonKind::Learner, 'seniors', 7),
            $address,
            self::segment($here),
            self::NOW,
            $through,
            $free,
            $waiting,
            removed: $removed,
            backed: $backed,
            placed: $placed,
            beside: $beside,
        );
    }

    private static function segment(?State $state): ?Segment
    {
        return null === $state ? null : new Segment(new Window(0), $state, ['learner'], true, 0);
    }

    private static function doorman(): Doorman
    {
        return new Doorman(FirstRoles::book(['juniors'], ['seniors']));
    }
}
