<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Sites;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Sites\LevelBand;
use MintDoor\Core\Sites\MergedSite;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use MintDoor\Demo\Dice;
use PHPUnit\Framework\TestCase;

final class MergedSiteTest extends TestCase
{
    use TestTrait;

    public function testItHasTheSeatsAndTheLevelsOfAll(): void
    {
        $merged = MergedSite::of([
            new Site('a', 'x', new LevelBand(3, 5), 20),
            new Site('b', 'x', new LevelBand(1, 4), 12),
        ]);
        self::assertEquals([32, new LevelBand(1, 5)], [$merged->seats, $merged->levels]);
        $open = MergedSite::of([new Site('a', 'x', new LevelBand(3, 5), 20), new Site('b', 'x')]);
        self::assertSame([null, null], [$open->seats, $open->levels]);
    }

    public function testNobodyComesToEnterADraftAndNothingClosedComesBack(): void
    {
        $draft = new Site('draft', 'x');
        $open = new Site('open', 'x', opensAt: 10);
        $closed = new Site('closed', 'x', opensAt: 10, closesAt: 20);
        self::assertSame(['draft' => 'draft'], MergedSite::fits([$draft, $open], 30));
        self::assertSame(['closed' => 'closed'], MergedSite::fits([$open, $closed], 30));
        self::assertSame([], MergedSite::fits([$draft, new Site('other', 'x')], 30));
        self::assertSame([], MergedSite::fits([$open, new Site('planned', 'x', opensAt: 50)], 30));
    }

    /** At every instant exactly the sections of those sites may be entered that were open then. */
    public function testASectionMayBeEnteredWhenItsSiteCould(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $dice = new Dice($seed);
            $sites = array_map(static function (int $n) use ($dice): Site {
                $opens = $dice->between(0, 20);
                $closes = $dice->chance(40) ? Time::FOREVER : $opens + 1 + $dice->below(20);

                return new Site("s$n", 'x', opensAt: $opens, closesAt: $closes);
            }, range(1, $dice->between(1, 4)));
            $merged = MergedSite::of($sites);
            $whole = new Window($merged->opensAt, $merged->closesAt);
            foreach ($sites as $site) {
                for ($at = 0; $at < 45; ++$at) {
                    $could = (new Window($site->opensAt, $site->closesAt))->contains($at);
                    self::assertSame($could, $whole->contains($at) && $merged->windowOf($site)->contains($at));
                }
            }
        });
    }
}
