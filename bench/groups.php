<?php

declare(strict_types=1);

// Sixty questions of groups, written down before anything computed them, as JSON that another solver reads
// (`bench/groups.mjs`). The rules:
//
// 1 to 24 have 12 to 60 people, 25 to 48 have 72 to 300, 49 to 60 have 400 to 1,000. Groups are of 3 to 6 people, one
// fewer or more being allowed. Of four people two play the violin, one the viola, one the cello: each group has as many
// of each as its share, rounded down or up; in every third question that must be kept, in others each too few or too
// many costs 20. Groups are even in a level of 6 to 10 (each tenth costs 1) and a mark of 5 to 20 in halves (1). Three
// divisions of unlike size are mixed: each group has the share of each, rounded down or up (10). One pair for every
// twelve people is together, one for every ten apart; in every second question that must be kept, in others each costs
// 30. There was a round before, drawn by lot; nobody is with more than one (every second question: none) of those again
// (15 for each). Two people in a hundred pairs (up to 20 for each person) share no free hour: together they cost 10.
//
// Every third question (3, 6, 9 …) is kept aside while the search is worked on, and run once, at the end; those are
// drawn with seeds of their own, as four of the first ones were looked at before anything was tuned, and are spent.
//
// `php bench/groups.php DIR known` computes those that are not kept aside, `aside` the others, and `all` all: beside
// what drawing by lot and dealing out by level in turn would come to, and writes each for the judge.

require __DIR__.'/../vendor/autoload.php';

use MintDoor\Core\Groups\Computer;
use MintDoor\Core\Groups\Cost;
use MintDoor\Core\Groups\CountWish;
use MintDoor\Core\Groups\EvenWish;
use MintDoor\Core\Groups\MetWish;
use MintDoor\Core\Groups\PairWish;
use MintDoor\Core\Groups\Question;
use MintDoor\Core\Groups\Report;
use MintDoor\Core\Groups\Size;
use MintDoor\Demo\Dice;

/** How many people the question of a number has. */
function people_of(int $number): int
{
    return match (true) {
        $number <= 24 => 12 + 2 * $number,
        $number <= 48 => [72, 80, 90, 96, 100, 108, 120, 128, 144, 150, 160, 180][($number - 25) % 12]
            + ($number > 36 ? 120 : 0),
        default => [400, 480, 500, 600, 640, 720, 750, 800, 840, 900, 960, 1_000][$number - 49],
    };
}

/** The question of a number, always the same. */
function question(int $number): Question
{
    $dice = new Dice((0 === $number % 3 ? 20_270_000 : 20_260_000) + $number);
    $many = people_of($number);
    $people = array_map(static fn(int $n): string => "p$n", range(0, $many - 1));
    $of = $dice->between(3, 6);
    $groups = max(2, (int) round($many / $of));
    $sizes = array_fill(0, $groups, new Size($of - 1, $of + 1));
    $share = static fn(array $who): array => [intdiv(count($who), $groups), (int) ceil(count($who) / $groups)];
    $wishes = [];
    $kinds = ['violin' => [], 'viola' => [], 'cello' => []];
    foreach ($people as $person) {
        $kinds[['violin', 'violin', 'viola', 'cello'][$dice->below(4)]][] = $person;
    }
    foreach ($kinds as $who) {
        $wishes[] = new CountWish($who, ...[...$share($who), 0 === $number % 3 ? 0 : 20]);
    }
    $level = $mark = [];
    $divisions = [[], [], []];
    foreach ($people as $person) {
        $level[$person] = $dice->between(6, 10);
        $mark[$person] = $dice->between(10, 40) / 2;
        $divisions[[0, 0, 0, 1, 1, 2][$dice->below(6)]][] = $person;
    }
    $wishes[] = new EvenWish($level, 1);
    $wishes[] = new EvenWish($mark, 1);
    foreach ($divisions as $who) {
        $wishes[] = new CountWish($who, ...[...$share($who), 10]);
    }
    // Nobody is in two pairs of a kind, so that all of them can be kept.
    $drawn = $dice->some($people, $many);
    $must = 0 === $number % 2 ? 0 : 30;
    for ($n = 0; $n < intdiv($many, 12); ++$n) {
        $wishes[] = new PairWish($drawn[2 * $n], $drawn[2 * $n + 1], true, $must);
    }
    $drawn = array_reverse($drawn);
    for ($n = 0; $n < intdiv($many, 10); ++$n) {
        $wishes[] = new PairWish($drawn[2 * $n], $drawn[2 * $n + 1], false, $must);
    }
    $before = array_chunk($dice->some($people, $many), max(1, $of));
    $wishes[] = new MetWish($before, 0 === $number % 2 ? 0 : 1, 15);
    for ($n = min(10 * $many, intdiv($many * ($many - 1), 100)); $n > 0; --$n) {
        [$one, $other] = [$dice->below($many), $dice->below($many)];
        $one === $other || ($wishes[] = new PairWish("p$one", "p$other", false, 10));
    }

    return new Question($people, $sizes, $wishes);
}

/** @return array<string, mixed> a question as the judge reads it, people by their numbers */
function judged(Question $question): array
{
    $number = array_flip($question->people);
    $numbers = static fn(array $who): array => array_map(static fn(string $id): int => $number[$id], $who);
    $read = ['people' => count($question->people), 'counts' => [], 'even' => [], 'pairs' => [], 'met' => []];
    $read['sizes'] = array_map(static fn(Size $size): array => [$size->least, $size->most], $question->sizes);
    foreach ($question->wishes as $wish) {
        $weight = $wish->weight();
        match (true) {
            $wish instanceof CountWish => $read['counts'][] = [
                $numbers($wish->who),
                $wish->least,
                $wish->most,
                $weight,
            ],
            $wish instanceof EvenWish => $read['even'][] = [
                array_map(static fn(string $id): int => $wish->above[$id] ?? 0, $question->people),
                $weight,
            ],
            $wish instanceof PairWish => $read['pairs'][] = [
                $number[$wish->one],
                $number[$wish->other],
                $wish->together,
                $weight,
            ],
            $wish instanceof MetWish => $read['met'][] = [array_map($numbers, $wish->before), $wish->most, $weight],
            default => null,
        };
    }

    return $read;
}

/**
 * What comes of putting people in one after the other, in some order.
 *
 * @param list<string> $order ids
 */
function dealt(Question $question, array $order): Cost
{
    $places = [];
    foreach ($order as $n => $person) {
        $places[$person] = $n % count($question->sizes);
    }

    return Cost::of($question, $places);
}

if (!isset($argv[1])) {
    return;
}
$part = $argv[2] ?? 'all';
$slowest = 0.0;
for ($number = 1; $number <= 60; ++$number) {
    if ('all' !== $part && $part !== (0 === $number % 3 ? 'aside' : 'known')) {
        continue;
    }
    $question = question($number);
    $began = hrtime(true);
    $places = Computer::compute($question, "bench $number");
    $seconds = (hrtime(true) - $began) / 1e9;
    $slowest = max($slowest, $seconds);
    $report = Report::of($question, $places);
    $cost = $report->cost;
    $levels = [];
    foreach ($question->wishes as $wish) {
        $levels = [] === $levels && $wish instanceof EvenWish ? $wish->above : $levels;
    }
    $byLevel = $question->people;
    usort($byLevel, static fn(string $a, string $b): int => $levels[$a] <=> $levels[$b]);
    $lot = dealt($question, (new Dice($number))->some($question->people, count($question->people)));
    $turn = dealt($question, $byLevel);
    printf(
        "%2d: %4d people, %3d groups: %.1f s, %d broken, %d (%.1f %% met); by lot %d and %d, in turn %d and %d\n",
        $number,
        count($question->people),
        count($question->sizes),
        $seconds,
        $cost->broken,
        $cost->soft,
        100 * $report->met(),
        $lot->broken,
        $lot->soft,
        $turn->broken,
        $turn->soft,
    );
    $kept = ['cost' => ['broken' => $cost->broken, 'soft' => $cost->soft]];
    file_put_contents(sprintf('%s/%02d.json', $argv[1], $number), json_encode(judged($question) + $kept));
}
printf("slowest %.1f s (bound 10), %d MB at most (bound 128)\n", $slowest, memory_get_peak_usage(true) >> 20);
exit($slowest <= 10 ? 0 : 1);
