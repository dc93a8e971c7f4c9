<?php

declare(strict_types=1);

// Whom pasted lines are taken for: on single lines with one kind of noise each (the first set), and on whole lists (two
// halves, of which the second was not looked at while the matcher was made), by kind, beside a plain baseline and the
// matcher as it was when the lists were written. Run by `bin/bench matching`. With `work` the first half alone; with -v
// also which of its lines were missed or taken wrongly.
use MintDoor\Tests\Core\Intake\Evaluation;
use MintDoor\Tests\Core\Intake\EvaluationSet;
use MintDoor\Tests\Core\Intake\Lists\Count;
use MintDoor\Tests\Core\Intake\Lists\Line;
use MintDoor\Tests\Core\Intake\Lists\Part;
use MintDoor\Tests\Core\Intake\Lists\Readers;
use MintDoor\Tests\Core\Intake\Lists\Renown;
use MintDoor\Tests\Core\Intake\Lists\Resident;
use MintDoor\Tests\Core\Intake\Lists\Scribe;
use MintDoor\Tests\Core\Intake\Lists\Tally;
use MintDoor\Tests\Core\Intake\Lists\Town;
use MintDoor\Tests\Core\Intake\Lists\WholeList;

require dirname(__DIR__).'/vendor/autoload.php';
ini_set('memory_limit', '1G');

$verbose = in_array('-v', $argv, true);
$set = new EvaluationSet();
$matcher = Evaluation::matcher($set);
$baseline = Evaluation::baseline($set);
$share = static fn(int $of, int $all): string => 0 === $all ? '      –' : sprintf('%6.1f%%', (100 * $of) / $all);
$held = true;
$bar = static function (string $what, bool $holds) use (&$held): void {
    $held = $held && $holds;
    echo $holds ? 'held:     ' : 'NOT HELD: ', $what, "\n";
};
echo "SINGLE LINES\n";
printf("%-44s %6s %6s   %-18s %s\n", 'kind of noise', 'lines', 'meant', 'recall, wrong', 'baseline: recall, wrong');
foreach ($matcher as $kind => $counts) {
    $plain = $baseline[$kind];
    printf(
        "%-44s %6d %6d   %s %6d      %s %8d\n",
        $kind,
        $counts['lines'],
        $counts['meant'],
        $share($counts['right'], $counts['meant']),
        $counts['wrong'],
        $share($plain['right'], $plain['meant']),
        $plain['wrong'],
    );
    foreach ($verbose ? [...$counts['mistakes'], ...$counts['missed']] : [] as $line) {
        echo '    ', $line, "\n";
    }
}
foreach (['matcher' => $matcher, 'baseline' => $baseline] as $name => $kinds) {
    $sum = Evaluation::sum($kinds);
    printf(
        "%-9s precision %.4f, recall %.4f on %d lines of %d kinds\n",
        $name,
        $sum['precision'],
        $sum['recall'],
        $sum['lines'],
        $sum['kinds'],
    );
    if ('matcher' === $name) {
        $bar('precision 0.998, recall 0.97', $sum['precision'] >= 0.998 && $sum['recall'] >= 0.97);
    }
}

$town = new Town();
$readers = new Readers($town);
/** @var array<string, array<string, array<string, array<string, int>>>> $stored */
$stored = json_decode((string) file_get_contents(dirname(__DIR__).'/tests/core/Intake/Lists/before.json'), true);
foreach (in_array('work', $argv, true) ? [Part::Work] : Part::cases() as $part) {
    $lists = (new Scribe(new Renown($town, $part), $part))->lists();
    $now = Tally::of($lists, $readers->matcher(...));
    $columns = ['now' => $now];
    foreach ($stored[$part->value] as $name => $figures) {
        $columns[$name] = array_map(Count::of(...), $figures);
    }
    printf(
        "\nWHOLE LISTS, %s (%d)\n%-44s %5s   %-16s %-16s %-16s\n",
        match ($part) {
            Part::Work => 'the half for work',
            Part::Kept => 'the half kept aside',
            Part::Anew => 'written anew',
        },
        count($lists),
        'kind of line',
        'lines',
        'recall, wrong',
        'before',
        'baseline',
    );
    // A line that means nobody for sure is right where it asks, passes it over, or says whom it repeats.
    $right = static fn(Count $of): string => $share(
        $of->found + $of->repeated + $of->passed + $of->held,
        $of->persons + $of->repeats + $of->nobodies + $of->careful,
    );
    foreach ($now as $kind => $count) {
        printf('%-44s %5d', $kind, $count->lines);
        foreach ($columns as $kinds) {
            $of = $kinds[$kind] ?? new Count();
            printf(
                '   %s %4d  ',
                0 === $of->persons ? '('.trim($right($of)).')' : $share($of->found, $of->persons),
                $of->wrong
            );
        }
        echo "\n";
        foreach ($verbose && Part::Work === $part ? $count->said : [] as $line) {
            echo '    ', $line, "\n";
        }
    }
    foreach ($columns as $name => $kinds) {
        $sum = Tally::sum($kinds);
        printf(
            "%-9s wrong %.2f%% of %d taken, recall %s, repeats %s, nobody %s, careful %s, right one offered %s\n",
            $name,
            (100 * $sum->wrong) / max(1, $sum->taken),
            $sum->taken,
            $share($sum->found, $sum->persons),
            $share($sum->repeated, $sum->repeats),
            $share($sum->passed, $sum->nobodies),
            $share($sum->held, $sum->careful),
            $share($sum->offered, $sum->asked),
        );
    }
    $sum = Tally::sum($now);
    $meaning = array_filter($now, static fn(Count $of): bool => $of->persons > 0);
    $shares = array_map(static fn(Count $of): float => $of->found / $of->persons, array_values($meaning));
    $least = min([1.0, ...$shares]);
    $bar('wrong ≤ 0.2 %', $sum->wrong <= 0.002 * $sum->taken);
    $bar('recall ≥ 95 %', $sum->found >= 0.95 * $sum->persons);
    $bar(sprintf('recall ≥ 85 %% in every kind (least: %.1f %%)', 100 * $least), $least >= 0.85);
    $bar('repeats ≥ 95 %', $sum->repeated >= 0.95 * $sum->repeats);
    $bar('nobody ≥ 95 %', $sum->passed >= 0.95 * $sum->nobodies);
    $bar('asked with the right one ≥ 90 %', $sum->offered >= 0.9 * $sum->asked);
}
// Lines of nothing but names of the town, drawn at random: as many as anybody can have, and far more.
$random = new Random\Randomizer(new Random\Engine\Mt19937(7));
$words = array_merge(...array_map(
    static fn(Resident $one): array => explode(' ', $one->name()),
    $town->people,
));
echo "\n";
$ways = ['8 names, blanks' => [8, ' '], '40 names, blanks' => [40, ' '], '6 names, commas' => [6, ', ']];
foreach ($ways as $kind => $way) {
    $lines = [];
    for ($n = 0; $n < 2_000; ++$n) {
        $names = array_map(static fn(): string => $words[$random->getInt(0, count($words) - 1)], range(1, $way[0]));
        $lines[] = new Line('', implode($way[1], $names), []);
    }
    $began = microtime(true);
    $readers->matcher(new WholeList('upper', [6, 10], ['learner'], $lines));
    printf("2,000 lines of the worst kind (%s): %.2f s\n", $kind, microtime(true) - $began);
}
exit($held ? 0 : 1);
