<?php

declare(strict_types=1);

// How fast sites follow cohorts: a label is put on 10,000 people that the rules of 20 cohorts read, each of which is
// connected to a site of its own; then one person's label comes and goes; then everything is compared. Run by
// bin/bench on an empty database. Exits 1 when it takes longer than the bounds.
use Doctrine\DBAL\Connection;
use MintDoor\Cohorts\CohortTally;
use MintDoor\Cohorts\CohortTicker;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Demo\PlatformBuilder;
use MintDoor\People\Repository\Labels;
use MintDoor\Shared\Transaction;

require __DIR__.'/platform.php';
ini_set('memory_limit', '1G');

const SITES = 20;
const PEOPLE = 10_000;
const ALONE = 60;
/** Seconds. */
const BOUND_ALL = 10.0;
const BOUND_ONE = 0.05;

$get = services();
[$db, $ticker, $labels, $transaction] = array_map($get, [
    Connection::class,
    CohortTicker::class,
    Labels::class,
    Transaction::class,
]);
assert(
    $db instanceof Connection
        && $ticker instanceof CohortTicker
        && $labels instanceof Labels
        && $transaction instanceof Transaction,
);
$now = time();
$platform = new PlatformBuilder($db, $now);
$codes = array_map(static fn(int $n): string => "d$n", range(1, SITES));
$platform->roles([], $codes);
$divisions = array_map(static fn(string $code): string => $platform->division($code, strtoupper($code)), $codes);
$term = $platform->term('term', 'Term', gmdate('Y-m-d', $now - 8_000_000), gmdate('Y-m-d', $now + 8_000_000));
$keeper = $platform->person('staff', $divisions[0], 'Ada', 'Keeper', login: 'keeper', platformAdministrator: true);
$people = [];
foreach ($divisions as $n => $division) {
    $site = $platform->site("S$n", "Site $n", 'course', $division, $term, null, null, $now - 9_000);
    $platform->letIn($site, $keeper, 'lead-tutor', $now - 8_000, by: $keeper);
    $rule = ['kind' => 'all', 'parts' => [
        ['kind' => 'kinds', 'names' => ['learner']],
        ['kind' => 'labels', 'names' => ['strings']],
    ]];
    $cohort = $platform->cohort("Cohort $n", $division, $rule, [], $now - 9_000, $keeper);
    $door = $platform->door($site, DoorKind::Cohort, "Cohort $n", by: $keeper);
    $platform->connect($cohort, $door, 'learner', 0);
    for ($k = 0; $k < PEOPLE / SITES; ++$k) {
        $people[] = $platform->person('learner', $division, "Given$k", "Family$n", 7);
    }
}
$platform->watch(['person', 'labels']);
$platform->write();
$ticker->keep();

$set = static function (bool $on, string $first, string ...$others) use ($transaction, $labels, $keeper, $now): void {
    $transaction->job([], static function () use ($labels, $first, $others, $on, $keeper, $now): bool {
        $labels->set('strings', [$first, ...array_values($others)], $on, $keeper, $now);

        return $on;
    });
};
$labelled = seconds(static function () use ($set, $people): void {
    $set(true, ...$people);
});
$brought = 0;
$all = seconds(static function () use ($ticker, &$brought): void {
    do {
        $tally = $ticker->keep();
        $brought += $tally->lines;
    } while ($tally->looked > 0);
});
assert(PEOPLE === $brought);
$each = [];
for ($n = 0; $n < ALONE; ++$n) {
    $set(1 === $n % 2, $people[($n >> 1) * 97]);
    $each[] = seconds(static fn(): CohortTally => $ticker->keep());
}
sort($each);
$one = $each[intdiv(ALONE, 2)];
$mended = new CohortTally();
$compared = seconds(static function () use ($ticker, &$mended): void {
    $mended = $ticker->compare();
});
printf(
    "%d people labelled in %.2f s; %d sites in step after %.2f s more (bound %.0f), by one process\n",
    PEOPLE,
    $labelled,
    SITES,
    $all,
    BOUND_ALL,
);
printf("one person's change: %.0f ms (median of %d; bound %.0f)\n", 1_000 * $one, ALONE, 1_000 * BOUND_ONE);
printf("everything compared in %.1f s: %d members and %d lines mended\n", $compared, $mended->members, $mended->lines);
exit($all > BOUND_ALL || $one > BOUND_ONE || 0 < $mended->members + $mended->lines ? 1 : 0);
