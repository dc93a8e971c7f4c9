<?php

declare(strict_types=1);

use MintDoor\Core\Roster\Segment;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Time\Window;
use MintDoor\Core\Weeks\Commitments;
use MintDoor\Core\Weeks\Meeting;
use MintDoor\Demo\Dice;

require __DIR__.'/../vendor/autoload.php';

/*
 * In two places at once: 1,000 people who have five sites each are put into one of 40 sections, and what clashes is
 * found within two seconds; and beside it how much longer it takes when everything meets four times as often.
 */
const PEOPLE = 1_000;
const SECTIONS = 40;
const WEEKS = 15;
const BOUND = 2.0;
/** Four times as many meetings take so many times as long at most: nothing is held against everything. */
const GROWTH = 8.0;

/** @return array{float, int} seconds, the best of three, and how many clashes */
$measure = static function (int $weeks): array {
    $dice = new Dice(1);
    $series = static function (string $hours, string $site, ?string $section) use ($dice, $weeks): array {
        $from = 86_400 * $dice->below(5) + 1_800 * $dice->between(16, 40);
        $meetings = [];
        for ($week = 0; $week < $weeks; ++$week) {
            $at = $from + 7 * 86_400 * $week;
            $meetings[] = new Meeting($hours, $site, $section, $at, $at + 5_400);
        }

        return $meetings;
    };
    $here = $others = [];
    for ($n = 0; $n < SECTIONS; ++$n) {
        $here = [...$here, ...$series("h$n", 'here', "s$n"), ...$series("i$n", 'here', "s$n")];
    }
    for ($n = 0; $n < 400; ++$n) {
        $others[] = $series("o$n", "site$n", null);
    }
    $all = Commitments::at($here);
    $people = [];
    for ($n = 0; $n < PEOPLE; ++$n) {
        $elsewhere = array_merge(...array_map(static fn(): array => $dice->one($others), range(1, 5)));
        $segment = new Segment(new Window(), State::Current, ['learner'], true, 0, ['s'.$dice->below(SECTIONS)]);
        $people[] = [$all->and($elsewhere), new Timeline([$segment])];
    }
    $found = 0;
    $best = \INF;
    for ($round = 0; $round < 3; ++$round) {
        $found = 0;
        $began = hrtime(true);
        foreach ($people as [$commitments, $timeline]) {
            $found += count($commitments->clashes(new Timeline([]), $timeline));
        }
        $best = min($best, (hrtime(true) - $began) / 1e9);
    }

    return [$best, $found];
};
[$once, $found] = $measure(WEEKS);
[$often] = $measure(4 * WEEKS);
printf(
    '%d people with five sites each into one of %d sections: %d clashes in %.2f s (bound %.1f s); four times as many '
        ."meetings: %.1f times (bound %.1f)\n",
    PEOPLE,
    SECTIONS,
    $found,
    $once,
    BOUND,
    $often / $once,
    GROWTH,
);
exit($once <= BOUND && $often / $once <= GROWTH ? 0 : 1);
