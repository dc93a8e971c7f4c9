<?php

declare(strict_types=1);

use MintDoor\Core\Plans\Balance;
use MintDoor\Core\Plans\Conditions;
use MintDoor\Core\Plans\Lot;
use MintDoor\Core\Plans\PlanPerson;
use MintDoor\Core\Plans\PlanSection;
use MintDoor\Core\Plans\Search;
use MintDoor\Demo\Dice;

require dirname(__DIR__).'/vendor/autoload.php';

/*
 * 20 instances with conditions that no flow knows, by these rules: sections 4 to 40, people 40 to 2,000; places for
 * 100 % to 120 % of the people, unevenly; each wishes for three to five sections, a few of which are sought by
 * many; each cannot be in up to a fifth of them. For every 20 people a pair is together and a pair apart; a section
 * has half of its places taken or is empty; levels 1 to 4 are alike, give or take 3. The seed of an instance is
 * 1,000 and its number; of every third, which is kept aside while the search is worked on, 2,000 and its number
 * (1,000 was looked at once, and is spent). `php bench/mixed.php DIR known` leaves those out, `aside` takes them
 * only. Plans them, and writes each with what it costs for the judge (bench/mixed.mjs).
 */
ini_set('memory_limit', '256M');
$into = $argv[1] ?? throw new RuntimeException('Say where to.');
$part = $argv[2] ?? 'all';
const SIZES = [[40, 4, 5], [120, 6, 5], [300, 10, 4], [600, 16, 3], [1_200, 30, 2], [2_000, 40, 1]];

/** @return array{list<PlanPerson>, list<PlanSection>, Conditions} */
function conditioned(int $seed, int $n, int $m): array
{
    $dice = new Dice($seed);
    $share = $dice->between(100, 120) / 100;
    $sections = $ids = $least = [];
    for ($k = 0; $k < $m; ++$k) {
        $ids[] = "s$k";
        $places = max(2, (int) round($share * $n / $m * $dice->between(70, 130) / 100));
        $sections[] = new PlanSection("s$k", $places);
        $least["s$k"] = intdiv($places, 2);
    }
    $sought = array_slice($ids, 0, max(2, intdiv($m, 4)));
    $people = $levels = $together = $apart = [];
    for ($k = 0; $k < $n; ++$k) {
        $first = $dice->chance(50) ? $dice->some($sought, 1) : [];
        $wishes = [...$first, ...array_diff($dice->some($ids, $dice->between(3, 4)), $first)];
        $people[] = new PlanPerson("p$k", array_values($wishes), $dice->some($ids, $dice->below(1 + intdiv($m, 5))));
        $levels["p$k"] = (string) $dice->between(1, 4);
    }
    for ($k = 0; $k < intdiv($n, 20); ++$k) {
        $together[] = ['p'.$dice->below($n), 'p'.$dice->below($n)];
        $apart[] = ['p'.$dice->below($n), 'p'.$dice->below($n)];
    }
    $pairs = static fn(array $all): array => array_values(
        array_filter($all, static fn(array $two): bool => $two[0] !== $two[1]),
    );

    return [$people, $sections, new Conditions($pairs($together), $pairs($apart), $least, [new Balance($levels, 3)])];
}

$number = $worst = 0;
foreach (SIZES as [$n, $m, $times]) {
    for ($time = 0; $time < $times; ++$time) {
        $aside = 0 === ++$number % 3;
        if ($part === ($aside ? 'known' : 'aside')) {
            continue;
        }
        [$people, $sections, $conditions] = conditioned(($aside ? 2_000 : 1_000) + $number, $n, $m);
        $began = hrtime(true);
        $found = Search::plan($people, $sections, [], [], $conditions, new Lot("bench $number"));
        $seconds = (hrtime(true) - $began) / 1e9;
        $worst = max($worst, $seconds);
        $all = array_map(static fn(PlanPerson $one): string => $one->id, $people);
        if (0 !== $conditions->broken($found->plan->places, [], $all)) {
            throw new RuntimeException("Instance $number breaks a condition.");
        }
        $costs = [];
        $longest = 1 + max(0, ...array_map(static fn(PlanPerson $one): int => count($one->wishes), $people));
        foreach ($people as $person) {
            $own = [];
            foreach ($sections as $section) {
                $rank = $person->rank($section->id);
                $own[] = null === $rank ? null : ($rank - 1) ** 2;
            }
            $costs[] = $own;
        }
        $at = array_flip($all);
        $numbers = static fn(array $two): array => array_map(static fn(string $id): int => $at[$id], $two);
        $asked = [
            'costs' => $costs,
            'nowhere' => 4 * $longest ** 2,
            'places' => array_map(static fn(PlanSection $section): int => $section->places, $sections),
            'least' => array_values($conditions->least),
            'together' => array_map($numbers, $conditions->together),
            'apart' => array_map($numbers, $conditions->apart),
            'kinds' => array_values($conditions->balances[0]->kinds),
            'tolerance' => $conditions->balances[0]->tolerance,
            'cost' => $found->cost,
            'bound' => $found->bound,
        ];
        file_put_contents(sprintf('%s/%02d.json', $into, $number), json_encode($asked));
        printf(
            "%2d: %d people, %d sections: %.2f s, cost %d, own bound %d, %d nowhere\n",
            $number,
            $n,
            $m,
            $seconds,
            $found->cost,
            $found->bound,
            count($found->plan->unplaced),
        );
    }
}
printf("slowest %.1f s (bound 10), %d MB at most (bound 256)\n", $worst, memory_get_peak_usage(true) >> 20);
exit($worst <= 10 ? 0 : 1);
