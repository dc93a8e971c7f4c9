<?php

declare(strict_types=1);

// Whom pasted lines are taken for, measured on the evaluation set, by kind of noise; and the same by a plain baseline.
// Run by `bin/bench matching`. With -v also which lines were missed or taken wrongly.
use MintDoor\Tests\Core\Intake\Evaluation;
use MintDoor\Tests\Core\Intake\EvaluationSet;

require dirname(__DIR__).'/vendor/autoload.php';

$set = new EvaluationSet();
$matcher = Evaluation::matcher($set);
$baseline = Evaluation::baseline($set);
$share = static fn(int $of, int $all): string => 0 === $all ? '      –' : sprintf('%6.1f%%', (100 * $of) / $all);
printf(
    "%-40s %6s %6s   %-24s %s\n",
    'kind of noise',
    'lines',
    'meant',
    'matcher: recall, wrong',
    'baseline: recall, wrong',
);
foreach ($matcher as $kind => $counts) {
    $plain = $baseline[$kind];
    printf(
        "%-40s %6d %6d   %s %8d %12s %8d\n",
        $kind,
        $counts['lines'],
        $counts['meant'],
        $share($counts['right'], $counts['meant']),
        $counts['wrong'],
        $share($plain['right'], $plain['meant']),
        $plain['wrong'],
    );
    foreach (in_array('-v', $argv, true) ? [...$counts['mistakes'], ...$counts['missed']] : [] as $line) {
        echo '    ', $line, "\n";
    }
}
$held = true;
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
    $held = $held && ('matcher' !== $name || ($sum['precision'] >= 0.998 && $sum['recall'] >= 0.97));
}
echo $held ? "held: precision 0.998, recall 0.97\n" : "NOT HELD: precision 0.998, recall 0.97\n";
exit($held ? 0 : 1);
