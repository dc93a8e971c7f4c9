<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Roster;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Roles\FirstRoles;
use MintDoor\Core\Roster\Access;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Roster\Enrollment;
use MintDoor\Core\Roster\Entry;
use MintDoor\Core\Roster\Grant;
use MintDoor\Core\Roster\Override;
use MintDoor\Core\Roster\OverrideKind;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use MintDoor\Demo\Dice;
use MintDoor\Tests\Core\World;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class AccessTest extends TestCase
{
    use TestTrait;

    private const NOW = 100;

    /**
     * @return iterable<string, array{string, list<Override>, Window, Site, int, Entry, list<string>}> role, overrides,
     *     window, site, account closed from, entry, causes
     */
    public static function cases(): iterable
    {
        $open = new Site('s', 'seniors', opensAt: 0);
        $draft = new Site('s', 'seniors', opensAt: 500);
        $closed = new Site('s', 'seniors', opensAt: 0, closesAt: 50);
        $always = new Window(0);
        $override = static fn(OverrideKind $kind): array => [new Override('m', $kind, new Window(0, 200))];
        yield 'in' => ['learner', [], $always, $open, Time::FOREVER, Entry::Enter, ['let-in']];
        yield 'a learner of a draft' => ['learner', [], $always, $draft, Time::FOREVER, Entry::No, ['draft']];
        yield 'a tutor of a draft' => [
            'co-tutor',
            [],
            $always,
            $draft,
            Time::FOREVER,
            Entry::Enter,
            ['prepares-draft'],
        ];
        yield 'a learner of a closed site' => [
            'learner',
            [],
            $always,
            $closed,
            Time::FOREVER,
            Entry::LookOnly,
            ['reads-closed'],
        ];
        yield 'a guest of a closed site' => ['day-guest', [], $always, $closed, Time::FOREVER, Entry::No, ['closed']];
        yield 'one who only looks' => [
            'sit-in-observer',
            [],
            $always,
            $open,
            Time::FOREVER,
            Entry::LookOnly,
            ['let-in'],
        ];
        $paused = $override(OverrideKind::Paused);
        yield 'paused' => ['learner', $paused, $always, $open, Time::FOREVER, Entry::No, ['paused']];
        yield 'not begun' => ['learner', [], new Window(120), $open, Time::FOREVER, Entry::No, ['upcoming']];
        yield 'over' => ['learner', [], new Window(0, 90), $open, Time::FOREVER, Entry::No, ['ended']];
        yield 'account closed' => ['learner', [], $always, $open, 100, Entry::No, ['account-closed']];
        yield 'everything at once, the strongest first' => [
            'learner',
            [...$override(OverrideKind::Blocked)],
            new Window(120),
            $draft,
            80,
            Entry::No,
            ['blocked', 'account-closed', 'draft'],
        ];
        yield 'paused in a draft' => [
            'learner',
            $override(OverrideKind::Paused),
            $always,
            $draft,
            Time::FOREVER,
            Entry::No,
            ['paused', 'draft'],
        ];
    }

    /**
     * @param list<Override>   $overrides
     * @param list<string> $causes
     */
    #[DataProvider('cases')]
    public function testReason(
        string $role,
        array $overrides,
        Window $window,
        Site $site,
        int $closed,
        Entry $entry,
        array $causes,
    ): void {
        $enrollment = new Enrollment([new Grant('p', 'door', DoorKind::Key, $role, 0, $window, 0)], $overrides);
        $reason = self::access()->reason($enrollment->timeline(), self::person($closed), $site, self::NOW, $enrollment);
        self::assertSame($entry, $reason->entry);
        self::assertSame($causes, array_map(static fn($cause): string => $cause->code, $reason->causes));
    }

    public function testSaysUntilWhenAndThroughWhichDoor(): void
    {
        $enrollment = new Enrollment([
            new Grant('a', 'staff', DoorKind::Staff, 'sit-in-observer', 0, new Window(0), 0),
            new Grant('b', 'strings', DoorKind::Cohort, 'learner', 0, new Window(0, 300), 0),
        ]);
        $cause = self::access()
            ->reason(
                $enrollment->timeline(),
                self::person(),
                new Site('s', 'seniors', opensAt: 0, closesAt: 250),
                self::NOW,
                $enrollment,
            )
            ->deciding();
        self::assertSame(
            ['role' => 'learner', 'until' => 250, 'door' => 'strings', 'doorKind' => 'cohort'],
            $cause->values,
        );
    }

    /** @param 'seat'|'approval'|null $for */
    #[TestWith([DoorKind::Staff, null, 'waits-for-approval', 'none'])]
    #[TestWith([DoorKind::Invitation, null, 'waits-for-answer', 'answer'])]
    #[TestWith([DoorKind::Key, 'approval', 'waits-for-yes', 'answer'])]
    #[TestWith([DoorKind::Key, 'seat', 'waits-for-seat', 'answer'])]
    #[TestWith([DoorKind::Cohort, null, 'waiting', 'answer'])]
    public function testSaysWhatIsWaitedFor(DoorKind $door, ?string $for, string $code, string $change): void
    {
        $grant = new Grant('g', 'd', $door, 'learner', 0, new Window(0), Time::FOREVER, waitsFor: $for);
        $enrollment = new Enrollment([$grant]);
        $person = new Person('p', PersonKind::Learner, 'seniors', 7);
        $access = new Access(FirstRoles::book([], ['seniors']));
        $site = new Site('s', 'seniors', opensAt: 0);
        $reason = $access->reason($enrollment->timeline(), $person, $site, self::NOW, enrollment: $enrollment);
        self::assertSame([Entry::No, $code], [$reason->entry, $reason->deciding()->code]);
        self::assertSame($change, $reason->deciding()->change);
        $alike = $access->reason($enrollment->timeline(), $person, $site, self::NOW);
        self::assertSame('waiting', $alike->deciding()->code, 'Of many alike it is not known.');
    }

    public function testSomebodyWhoWasNeverHere(): void
    {
        $reason = self::access()->reason(
            (new Enrollment())->timeline(),
            self::person(),
            new Site('s', 'seniors', opensAt: 0),
            self::NOW,
        );
        self::assertSame(['never-here', 'let-in'], [$reason->deciding()->code, $reason->deciding()->change]);
    }

    public function testNobodyEntersUnlessCurrentWithAnOpenAccount(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $dice = new Dice($seed);
            $timeline = World::randomEnrollment($dice)->timeline();
            $site = new Site('s', 'seniors', opensAt: $dice->below(40), closesAt: $dice->between(20, 60));
            $person = self::person($dice->chance(30) ? $dice->below(40) : Time::FOREVER);
            for ($instant = 0; $instant <= 40; $instant += 3) {
                $entry = self::access()->reason($timeline, $person, $site, $instant)->entry;
                $standing = self::access()->standing($timeline, $person, $instant, false, $site);
                if (State::Current !== $timeline->at($instant)?->state || !$person->accountOpen($instant)) {
                    self::assertSame(Entry::No, $entry);
                    self::assertSame([], $standing->permissions);
                } else {
                    self::assertSame(
                        Entry::No === $entry,
                        [] === $standing->permissions,
                        'whoever cannot enter may nothing',
                    );
                }
            }
        });
    }

    public function testEntryAndPermissionsAsAFunctionOfTimeAgreeWithEveryInstant(): void
    {
        for ($seed = 0; $seed < 150; ++$seed) {
            $dice = new Dice($seed);
            $timeline = World::randomEnrollment($dice)->timeline();
            $site = new Site('s', 'seniors', opensAt: $dice->below(40), closesAt: $dice->between(20, 60));
            $person = self::person($dice->chance(30) ? $dice->below(40) : Time::FOREVER);
            $stretches = self::access()->stretches($timeline, $person, $site, 3);
            self::assertSame(3, $stretches[0]->window->from);
            self::assertSame(Time::FOREVER, $stretches[\count($stretches) - 1]->window->until);
            foreach ($stretches as $index => $stretch) {
                if ($index > 0) {
                    self::assertSame($stretches[$index - 1]->window->until, $stretch->window->from);
                    self::assertFalse($stretch->sameAs($stretches[$index - 1]), 'neighbours differ');
                }
                for ($instant = $stretch->window->from; $instant < min(70, $stretch->window->until); ++$instant) {
                    self::assertSame(
                        self::access()->reason($timeline, $person, $site, $instant)->entry,
                        $stretch->entry,
                    );
                    self::assertSame(
                        self::access()->standing($timeline, $person, $instant, false, $site)->permissions,
                        $stretch->permissions,
                    );
                    self::assertSame($timeline->at($instant)?->state, $stretch->state);
                }
            }
        }
    }

    private static function access(): Access
    {
        return new Access(FirstRoles::book(['juniors'], ['seniors']));
    }

    private static function person(int $closed = Time::FOREVER): Person
    {
        return new Person('p', PersonKind::Learner, 'seniors', 7, $closed);
    }
}
