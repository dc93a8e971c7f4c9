<?php

declare(strict_types=1);

namespace MintDoor\Demo;

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
        $this->platform->split($site, 'Quartets, round 1', $first, [3, 5], $lead);
        $this->platform->split($site, 'Quartets, round 2', $next, [3, 5], $lead, 1);
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
        ]);
    }
}
