<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Roster;

use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\People\Tie;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Roster\Enrollment;
use MintDoor\Core\Roster\Grant;
use MintDoor\Core\Roster\Override;
use MintDoor\Core\Roster\OverrideKind;
use MintDoor\Core\Roster\Ties;
use MintDoor\Core\Sites\LevelBand;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class TiesTest extends TestCase
{
    private const NOW = 1_000;

    #[TestWith([DoorKind::Staff, 'me', true])]
    #[TestWith([DoorKind::Staff, 'somebody', false])]
    #[TestWith([DoorKind::Staff, null, false])]
    #[TestWith([DoorKind::Key, 'me', false])]
    #[TestWith([DoorKind::Invitation, 'me', false])]
    #[TestWith([DoorKind::Cohort, 'me', false])]
    #[TestWith([DoorKind::Feed, 'me', false])]
    public function testWhoseMakingATieIs(DoorKind $door, ?string $by, bool $own): void
    {
        $ties = self::ties([self::grant($door, $by)]);
        self::assertSame([[$own, 100]], array_map(static fn(Tie $tie): array => [$tie->own, $tie->since], $ties));
    }

    public function testWhatDoesNotHoldTiesNobody(): void
    {
        $waiting = self::grant(accepted: Time::FOREVER);
        $upcoming = self::grant(window: new Window(2_000));
        $over = self::grant(window: new Window(100, 900));
        $removed = self::grant(overrides: [self::override(OverrideKind::Withdrawn, new Window(500))]);
        foreach ([$waiting, $upcoming, $over, $removed] as $grant) {
            self::assertSame([], self::ties([$grant]));
        }
        self::assertSame([], self::ties([self::grant()], [self::override(OverrideKind::Blocked, new Window(500))]));
    }

    #[TestWith([0, Time::FOREVER, 'seniors', 1])]
    #[TestWith([0, 900, 'seniors', 0])]
    #[TestWith([Time::FOREVER, Time::FOREVER, 'seniors', 1])]
    #[TestWith([Time::FOREVER, Time::FOREVER, 'juniors', 0])]
    #[TestWith([0, Time::FOREVER, 'juniors', 1])]
    public function testOnlyOpenSitesAndOnesOwnDraftsTie(int $opens, int $closes, string $division, int $ties): void
    {
        $site = new Site('s', $division, opensAt: $opens, closesAt: $closes);
        self::assertCount($ties, self::ties([self::grant()], site: $site));
    }

    #[TestWith(['seniors', 6, 8, true])]
    #[TestWith(['seniors', 8, 9, false])]
    #[TestWith(['juniors', 6, 8, false])]
    public function testAtHomeIsTheirDivisionAndLevel(string $division, int $lowest, int $highest, bool $home): void
    {
        $site = new Site('s', $division, new LevelBand($lowest, $highest), opensAt: 0);
        self::assertSame($home, self::ties([self::grant()], site: $site)[0]->home);
    }

    /** Whoever fixes a broken tie made it, however old the grant is. */
    public function testATieThatIsBroughtBackBeginsAnew(): void
    {
        $fixed = self::override(OverrideKind::Withdrawn, new Window(500, 700), 'me');
        $tie = self::ties([self::grant(DoorKind::Feed, null, overrides: [$fixed])])[0];
        self::assertSame([true, 700], [$tie->own, $tie->since]);
        $unblocked = self::override(OverrideKind::Blocked, new Window(500, 800), 'me');
        $tie = self::ties([self::grant(DoorKind::Feed)], [$unblocked])[0];
        self::assertSame([true, 800], [$tie->own, $tie->since]);
        $ranOut = self::override(OverrideKind::Blocked, new Window(500, 800));
        self::assertFalse(self::ties([self::grant(DoorKind::Feed)], [$ranOut])[0]->own);
    }

    /** A grant that is over, but for dates somebody set, ties by their hand. */
    public function testATieThatHoldsByDatesSetIsTheirs(): void
    {
        $dates = new Override(
            'd',
            OverrideKind::Dates,
            new Window(800),
            dates: new Window(Time::BEGINNING, 5_000),
            putBy: 'me',
        );
        $tie = self::ties([self::grant(DoorKind::Feed, window: new Window(100, 900))], [$dates])[0];
        self::assertSame([true, 900], [$tie->own, $tie->since]);
        self::assertFalse(self::ties([self::grant(DoorKind::Feed)], [$dates])[0]->own, 'it would hold without them');
    }

    /**
     * @param list<Grant> $grants
     * @param list<Override> $overrides
     *
     * @return list<Tie>
     */
    private static function ties(array $grants, array $overrides = [], ?Site $site = null): array
    {
        $person = new Person('p', PersonKind::Learner, 'seniors', 7);
        $site ??= new Site('s', 'seniors', opensAt: 0);

        return Ties::of(new Enrollment($grants, $overrides), $person, $site, 'me', false, self::NOW);
    }

    /** @param list<Override> $overrides */
    private static function grant(
        DoorKind $door = DoorKind::Staff,
        ?string $by = 'me',
        Window $window = new Window(100),
        int $accepted = 100,
        array $overrides = [],
    ): Grant {
        return new Grant('w', 'door', $door, 'learner', 100, $window, $accepted, overrides: $overrides, givenBy: $by);
    }

    private static function override(OverrideKind $kind, Window $window, ?string $endedBy = null): Override
    {
        return new Override('m', $kind, $window, endedBy: $endedBy);
    }
}
