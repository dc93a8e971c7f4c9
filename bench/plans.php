<?php

declare(strict_types=1);

use MintDoor\Core\Plans\Fairest;
use MintDoor\Core\Plans\Lot;
use MintDoor\Core\Plans\PlanPerson;
use MintDoor\Core\Plans\PlanSection;
use MintDoor\Demo\Dice;

require dirname(__DIR__).'/vendor/autoload.php';

/*
 * 40 instances whose plan is a flow, by these rules: sections 3 to 40, people 20 to 2,000; places for 80 % to 120 % of
 * the people, unevenly; each wishes for up to six sections, a few of which are sought by many; each cannot be in up to
 * a third of them. The seed of an instance is its number. Plans them, and writes each with what came of it for the
 * judge (bench/plans.mjs).
 */
ini_set('memory_limit', '256M');
$into = $argv[1] ?? throw new RuntimeException('Say where to.');
const SIZES = [[20, 3, 12], [60, 5, 10], [200, 8, 8], [500, 16, 5], [1_000, 24, 2], [2_000, 40, 3]];

/** @return array{list<PlanPerson>, list<PlanSection>} */
function instance(int $seed, int $n, int $m): array
{
    $dice = new Dice($seed);
    $share = $dice->between(80, 120) / 100;
    $sections = $ids = [];
    for ($k = 0; $k < $m; ++$k) {
        $ids[] = "s$k";
        $sections[] = new PlanSection("s$k", max(0, (int) round($share * $n / $m * $dice->between(50, 150) / 100)));
    }
    $sought = array_slice($ids, 0, max(2, intdiv($m, 4)));
    $people = [];
    for ($k = 0; $k < $n; ++$k) {
        $first = $dice->chance(60) ? $dice->some($sought, $dice->below(3)) : [];
        $wishes = [...$first, ...array_diff($dice->some($ids, min($m, $dice->below(5))), $first)];
        $people[] = new PlanPerson("p$k", array_values($wishes), $dice->some($ids, $dice->below(1 + intdiv($m, 3))));
    }

    return [$people, $sections];
}

$number = $worst = 0;
foreach (SIZES as [$n, $m, $times]) {
    for ($time = 0; $time < $times; ++$time) {
        [$people, $sections] = instance(++$number, $n, $m);
        $began = hrtime(true);
        $plan = Fairest::plan($people, $sections, new Lot("bench $number"));
        $seconds = (hrtime(true) - $began) / 1e9;
        $worst = max($worst, $seconds);
        $ranks = $counts = [];
        foreach ($people as $person) {
            $own = [];
            foreach ($sections as $section) {
                $own[] = $person->rank($section->id);
            }
            $ranks[] = $own;
            $at = $plan->places[$person->id] ?? null;
            $got = null === $at ? 'nowhere' : (string) $person->rank($at);
            $counts[$got] = 1 + ($counts[$got] ?? 0);
        }
        $places = array_map(static fn(PlanSection $section): int => $section->places, $sections);
        file_put_contents(
            sprintf('%s/%02d.json', $into, $number),
            json_encode(['ranks' => $ranks, 'places' => $places, 'counts' => $counts, 'seconds' => $seconds]),
        );
        printf("%2d: %d people, %d sections: %.2f s\n", $number, $n, $m, $seconds);
    }
}
printf("slowest %.1f s (bound 10), %d MB at most (bound 256)\n", $worst, memory_get_peak_usage(true) >> 20);
exit($worst <= 10 ? 0 : 1);
