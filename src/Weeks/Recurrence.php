<?php

declare(strict_types=1);

namespace MintDoor\Weeks;

use MintDoor\Core\Weeks\Hours;
use MintDoor\Core\Weeks\WeeklyRule;
use Sabre\VObject\InvalidDataException;
use Sabre\VObject\Recur\RRuleIterator;

/** On which days hours meet, by their rule of recurrence (RFC 5545, 3.3.10). */
final class Recurrence
{
    /** So many times a rule is asked for the next one, at most: those on one day count once. */
    private const STEPS = 4_000;

    private function __construct() {}

    /**
     * @return list<string> year-month-day, in order, no day twice; one more than `Hours::MOST_MEETINGS` where there
     *     are more
     *
     * @throws NoRecurrence for a rule that is none, never happens, or does not end
     */
    public static function days(Hours $hours): array
    {
        if ('' === $hours->rule) {
            return [$hours->first];
        }
        if (1 !== preg_match('/^[A-Z-]+=[^;=]+(;[A-Z-]+=[^;=]+)*$/D', $hours->rule)) {
            throw new NoRecurrence('no-rule');
        }
        try {
            $start = new \DateTimeImmutable($hours->first.' '.$hours->time, new \DateTimeZone($hours->zone));
            $rule = new RRuleIterator($hours->rule, $start);
            if ($rule->isInfinite()) {
                throw new NoRecurrence('endless');
            }
            $days = [];
            for ($step = 0; $step < self::STEPS && $rule->valid(); ++$step) {
                $days[(string) $rule->current()?->format('Y-m-d')] = true;
                if (\count($days) > Hours::MOST_MEETINGS) {
                    break;
                }
                $rule->next();
            }
        } catch (InvalidDataException|\DateMalformedStringException|\ValueError|\TypeError|\DivisionByZeroError) {
            throw new NoRecurrence('no-rule');
        }
        $all = array_map(strval(...), array_keys($days));
        // The beginning counts in RFC 5545 though no rule names it; hours meet on the days of their rule.
        if ([] !== $all && null !== ($weekly = self::named($hours, $start)) && !$weekly) {
            array_shift($all);
        }
        if ([] === $all) {
            throw new NoRecurrence('never');
        }

        return $all;
    }

    /** Whether the first day is one of the rule's; null where that cannot be told. */
    private static function named(Hours $hours, \DateTimeImmutable $start): ?bool
    {
        $weekly = WeeklyRule::read($hours->rule, $hours->first, $start->getTimezone());

        return null === $weekly ? null : \in_array((int) $start->format('N'), $weekly->days, true);
    }
}
