<?php

declare(strict_types=1);

namespace MintDoor\Core\Weeks;

/**
 * Certain days of every week, or of every second, third … one: what a form can say. As text it is a recurrence rule of
 * RFC 5545, 3.3.10; rules that say more are kept as they are, and are none of these.
 */
final readonly class WeeklyRule
{
    private const DAYS = [1 => 'MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'];

    /** Of every so many weeks at most. */
    public const MOST_WEEKS = 12;

    /**
     * @param list<int> $days  1 for Monday to 7 for Sunday, in order, at least one
     * @param int       $every week; 1 for each
     * @param ?string   $until last day, year-month-day
     */
    public function __construct(public array $days, public int $every = 1, public ?string $until = null) {}

    /**
     * @param string       $rule as RFC 5545 has it, without its name
     * @param string       $first year-month-day on which it begins
     * @param \DateTimeZone $zone  its end is an instant; the day of this zone is meant
     *
     * @return ?self null for a rule that says more, or is none
     */
    public static function read(string $rule, string $first, \DateTimeZone $zone): ?self
    {
        $parts = [];
        foreach (explode(';', strtoupper($rule)) as $part) {
            [$name, $value] = [...explode('=', $part, 2), ''];
            if (isset($parts[$name])) {
                return null;
            }
            $parts[$name] = $value;
        }
        $known = ['FREQ' => 1, 'INTERVAL' => 1, 'BYDAY' => 1, 'UNTIL' => 1, 'WKST' => 1];
        $every = $parts['INTERVAL'] ?? '1';
        if (
            'WEEKLY' !== ($parts['FREQ'] ?? '')
            || [] !== array_diff_key($parts, $known)
            || 1 !== preg_match('/^[1-9]\d?$/D', $every)
            || (int) $every > self::MOST_WEEKS
            || ('MO' !== ($parts['WKST'] ?? 'MO') && (int) $every > 1)
        ) {
            return null;
        }
        $days = [];
        $own = [(new \DateTimeImmutable($first))->format('N')];
        $named = array_filter(explode(',', $parts['BYDAY'] ?? ''));
        foreach ($named as $name) {
            $day = array_search($name, self::DAYS, true);
            if (false === $day) {
                return null;
            }
            $days[] = $day;
        }
        $days = [] === $days ? array_map(intval(...), $own) : array_values(array_unique($days));
        sort($days);
        $until = isset($parts['UNTIL']) ? self::day($parts['UNTIL'], $zone) : null;

        return isset($parts['UNTIL']) && null === $until ? null : new self($days, (int) $every, $until);
    }

    /** As RFC 5545 has it; the end is the last second of the last day, in UTC. */
    public function text(\DateTimeZone $zone): string
    {
        $parts = ['FREQ=WEEKLY'];
        if ($this->every > 1) {
            $parts[] = 'INTERVAL='.$this->every;
        }
        $parts[] = 'BYDAY='.implode(',', array_map(static fn(int $day): string => self::DAYS[$day], $this->days));
        if (null !== $this->until) {
            $last = new \DateTimeImmutable($this->until.' 23:59:59', $zone);
            $parts[] = 'UNTIL='.$last->setTimezone(new \DateTimeZone('UTC'))->format('Ymd\THis\Z');
        }

        return implode(';', $parts);
    }

    private static function day(string $until, \DateTimeZone $zone): ?string
    {
        if (1 === preg_match('/^\d{8}$/D', $until)) {
            $at = \DateTimeImmutable::createFromFormat('!Ymd', $until, $zone);
        } elseif (1 === preg_match('/^\d{8}T\d{6}Z$/D', $until)) {
            $at = \DateTimeImmutable::createFromFormat('!Ymd\THis\Z', $until, new \DateTimeZone('UTC'));
        } elseif (1 === preg_match('/^\d{8}T\d{6}$/D', $until)) {
            $at = \DateTimeImmutable::createFromFormat('!Ymd\THis', $until, $zone);
        } else {
            return null;
        }

        return false === $at ? null : $at->setTimezone($zone)->format('Y-m-d');
    }
}
