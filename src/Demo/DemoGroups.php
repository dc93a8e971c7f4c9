<?php

declare(strict_types=1);

namespace MintDoor\Demo;

use MintDoor\Groups\WishesRequest;
use MintDoor\Groups\WishRequest;

/** The groups of the demo: quartets that were made once, those of the next round, and teams for a project. */
final readonly class DemoGroups
{
    private const INSTRUMENTS = ['violin', 'violin', 'viola', 'cello'];

    public function __construct(private PlatformBuilder $platform) {}

    /**
     * The first quartets play, each with the instruments it needs; who is in which the next time is still open.
     *
     * @param list<string> $learners ids
     */
    public function quartets(string $site, array $learners, string $lead): void
    {
        $plays = [];
        foreach ($learners as $n => $person) {
            $plays[self::INSTRUMENTS[$n % 4]][] = $person;
        }
        foreach ($plays as $instrument => $people) {
            $this->platform->label($instrument, $people, $lead);
        }
        $first = $next = [];
        for ($n = 1; $n <= intdiv(\count($learners), 4); ++$n) {
            $first["Quartet $n"] = \array_slice($learners, 4 * $n - 4, 4);
            $next["Quartet $n"] = [];
        }
        $round = $this->platform->split($site, 'Quartets, round 1', $first, [3, 5], $lead);
        $wishes = new WishesRequest([
            new WishRequest('count', true, 'label', value: 'violin', least: 2, most: 3),
            new WishRequest('count', true, 'label', value: 'viola', least: 1, most: 2),
            new WishRequest('count', true, 'label', value: 'cello', least: 1, most: 2),
            new WishRequest('met', split: $round, most: 1),
            new WishRequest('even', by: 'level'),
            new WishRequest('apart', true, people: [$learners[0], $learners[1]]),
            new WishRequest('free'),
        ]);
        $this->platform->split($site, 'Quartets, round 2', $next, [3, 5], $lead, 1, wishes: $wishes);
    }

    /**
     * Some are in a team, others not yet.
     *
     * @param list<string> $learners ids
     */
    public function teams(string $site, array $learners, string $lead): void
    {
        $teams = ['Modulation' => 4, 'Chorale' => 4, 'Dictation' => 3, 'Figured bass' => 2];
        $from = 0;
        foreach ($teams as $name => $many) {
            $teams[$name] = \array_slice($learners, $from, $many);
            $from += $many;
        }
        $this->platform->split($site, 'Project teams', $teams, [3, 6], $lead, 0, [
            'Modulation' => $learners[1],
            'Chorale' => $learners[4],
        ], chooses: 6);
    }
}
