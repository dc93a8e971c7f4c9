<?php

declare(strict_types=1);

/**
 * The timeline of one enrollment with a thousand grants, in the core alone; in one process, best of many. Run by
 * bin/bench.
 */

use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Roster\Enrollment;
use MintDoor\Core\Roster\Grant;
use MintDoor\Core\Roster\Override;
use MintDoor\Core\Roster\OverrideKind;
use MintDoor\Core\Time\Window;
use MintDoor\Demo\Dice;

require dirname(__DIR__).'/vendor/autoload.php';

const BOUND = 5.0;
$dice = new Dice(20261125);
$enrollment = static function (int $count) use ($dice): Enrollment {
    $grants = [];
    for ($n = 0; $n < $count; ++$n) {
        $from = $dice->below(1_000_000);
        $overrides = $dice->chance(30)
            ? [new Override("m$n", OverrideKind::Withdrawn, new Window($from + $dice->below(50_000)))]
            : [];
        $grants[] = new Grant(
            "p$n",
            'door',
            DoorKind::Cohort,
            $dice->one(['learner', 'co-tutor', 'day-guest']),
            $from - 10,
            new Window($from, $from + 1 + $dice->below(200_000)),
            $from,
            overrides: $overrides,
        );
    }

    return new Enrollment($grants, [
        new Override('pause', OverrideKind::Paused, new Window(300_000, 400_000)),
        new Override('out', OverrideKind::Blocked, new Window(700_000, 710_000)),
    ]);
};
$best = [];
foreach ([500, 1_000, 2_000] as $count) {
    $one = $enrollment($count);
    $best[$count] = \INF;
    for ($round = 0; $round < 30; ++$round) {
        $started = hrtime(true);
        $one->timeline();
        $best[$count] = min($best[$count], (hrtime(true) - $started) / 1e6);
    }
}
printf(
    "timeline of 1,000 passes in the core: %.2f ms (bound %.0f ms); 500: %.2f, 2,000: %.2f\n",
    $best[1_000],
    BOUND,
    $best[500],
    $best[2_000],
);
exit($best[1_000] <= BOUND ? 0 : 1);
