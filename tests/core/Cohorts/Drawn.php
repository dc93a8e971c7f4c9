<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Cohorts;

use MintDoor\Core\Cohorts\Facts;
use MintDoor\Core\Cohorts\Place;
use MintDoor\Core\Cohorts\Rule;
use MintDoor\Core\Time\Spans;
use MintDoor\Core\Time\Window;
use MintDoor\Demo\Dice;

/** Rules, people and stretches of time as chance draws them. */
final class Drawn
{
    public const END = 24;

    private const COHORTS = ['c0', 'c1', 'c2'];

    private function __construct() {}

    /** @param list<string> $cohorts ids that it may read */
    public static function rule(Dice $dice, int $depth, array $cohorts = self::COHORTS): Rule
    {
        $part = static fn(): Rule => self::rule($dice, $depth - 1, $cohorts);
        if ($depth > 1 && $dice->chance(60)) {
            $parts = array_map(static fn(): Rule => $part(), range(0, $dice->below(3)));

            return match ($dice->below(3)) {
                0 => Rule::all(...$parts),
                1 => Rule::any(...$parts),
                default => Rule::not($parts[0]),
            };
        }

        return match ($dice->below([] === $cohorts ? 5 : 6)) {
            0 => Rule::kinds('learner'),
            1 => Rule::divisions($dice->one(['juniors', 'seniors', 'school'])),
            2 => Rule::levels($low = $dice->between(1, 8), $low + $dice->below(3)),
            3 => Rule::labels($dice->one(['Strings', 'on leave', 'brass'])),
            4 => Rule::in(
                $dice->one(['s0', 's1']),
                $dice->chance(50) ? 'morning' : null,
                $dice->chance(50) ? $dice->one(['learner', 'tutor']) : null,
            ),
            default => Rule::cohort($dice->one($cohorts ?: self::COHORTS)),
        };
    }

    public static function facts(Dice $dice): Facts
    {
        $places = [];
        for ($n = $dice->below(4); $n > 0; --$n) {
            $places[] = new Place(
                $dice->one(['s0', 's1']),
                new Window($from = $dice->below(self::END), $from + $dice->below(10)),
                [$dice->one(['learner', 'tutor'])],
                $dice->chance(50) ? ['morning'] : [],
            );
        }
        $cohorts = [];
        foreach (self::COHORTS as $id) {
            $cohorts[$id] = self::spans($dice);
        }

        return new Facts(
            $dice->chance(80) ? ['learner'] : ['staff'],
            [$dice->one(['juniors', 'seniors']), 'school'],
            $dice->chance(80) ? $dice->between(1, 10) : null,
            $dice->some(['strings', 'ON LEAVE'], $dice->below(3)),
            $places,
            $cohorts,
        );
    }

    public static function spans(Dice $dice): Spans
    {
        $spans = Spans::never();
        for ($n = $dice->below(3); $n > 0; --$n) {
            $spans = $spans->or(Spans::of(self::window($dice)));
        }

        return $spans;
    }

    private static function window(Dice $dice): Window
    {
        $from = $dice->below(self::END);

        return $dice->chance(30) ? new Window($from) : new Window($from, $from + 1 + $dice->below(10));
    }
}
