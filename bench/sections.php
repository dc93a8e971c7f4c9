<?php

declare(strict_types=1);

use MintDoor\Core\Items\Audience;
use MintDoor\Core\Items\Item;
use MintDoor\Core\Items\ItemKind;
use MintDoor\Core\Items\Viewer;
use MintDoor\Core\Items\Visibility;
use MintDoor\Demo\Dice;

require __DIR__.'/../vendor/autoload.php';

/*
 * Who sees what: 500 items for 5,000 people in 40 sections, all counted and searched for leaks, within a second; and
 * beside it how long it takes to ask of each person and item by itself.
 */
const PEOPLE = 5_000;
const ITEMS = 500;
const BOUND = 1.0;

$dice = new Dice(1);
$sections = array_map(static fn(int $n): string => 's'.$n, range(1, 40));
$people = $items = $visibilities = [];
for ($n = 0; $n < PEOPLE; ++$n) {
    $labels = array_values(array_filter(['strings', 'winds', 'on leave'], static fn(): bool => $dice->chance(20)));
    $people['p'.$n] = new Viewer([$dice->one($sections)], ['learner'], $labels, $dice->chance(1));
}
for ($n = 0; $n < ITEMS; ++$n) {
    $unit = 0 === $n % 10 ? null : 'i'.($n - $n % 10);
    $kind = null === $unit ? ItemKind::Unit : $dice->one([ItemKind::Task, ItemKind::Meeting, ItemKind::Announcement]);
    $items[] = new Item('i'.$n, $kind, 'Item '.$n, $unit, $n > 0 && $dice->chance(30) ? ['i'.$dice->below($n)] : []);
    $visibilities['i'.$n] = match ($dice->below(4)) {
        0 => Visibility::everybody(),
        1 => Visibility::sections($dice->one($sections), $dice->one($sections)),
        2 => Visibility::all(Visibility::labels('strings'), Visibility::between(10 * $n, 10 * $n + 500)),
        default => Visibility::any(Visibility::sections($dice->one($sections)), Visibility::labels('winds')),
    };
}
$seconds = static function (callable $work): float {
    $began = hrtime(true);
    $work();

    return (hrtime(true) - $began) / 1e9;
};
$best = \INF;
for ($round = 0; $round < 3; ++$round) {
    $best = min($best, $seconds(static function () use ($items, $visibilities, $people, $sections): void {
        $audience = new Audience($items, $visibilities, $people);
        foreach ($items as $item) {
            $audience->seeing($item->id, 2_000);
        }
        $audience->leaks(0, 10_000, $sections);
    }));
}
$each = $seconds(static function () use ($items, $visibilities, $people): void {
    foreach ($items as $item) {
        foreach ($people as $viewer) {
            $visibilities[$item->id]->sees($viewer, 2_000);
        }
    }
});
printf(
    "%d items for %d people: %.2f s with leaks (bound %.1f s); each by itself, without leaks: %.2f s (%.1f times)\n",
    ITEMS,
    PEOPLE,
    $best,
    BOUND,
    $each,
    $each / $best,
);
exit($best <= BOUND ? 0 : 1);
