<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Intake\Lists;

use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * A directory of 20,000: families who share a name, guardians, staff, closed accounts, namesakes in plenty. People move
 * from one culture to another, and marry.
 */
final class Town
{
    public const SIZE = 20_000;

    public const DIVISIONS = [
        'lower' => 'Lower House',
        'upper' => 'Upper House',
        'dusk' => 'Evening Branch',
        'summer' => 'Summer Academy',
        'guild' => 'Staff Guild',
    ];

    /** Levels there are in each; those of the summer have names. */
    public const LEVELS = ['lower' => [1, 5], 'upper' => [6, 10], 'dusk' => [1, 6], 'summer' => [1, 3]];

    public const SUMMER_LEVELS = ['Preparatory', 'Foundation', 'Diploma'];

    /** How many of a hundred households are of a culture. */
    private const CULTURES = [
        'en' => 14,
        'de' => 10,
        'pl' => 8,
        'vi' => 6,
        'pt' => 8,
        'es' => 8,
        'nl' => 6,
        'in' => 6,
        'ar' => 5,
        'ru' => 6,
        'el' => 3,
        'zh' => 4,
        'ko' => 2,
        'tr' => 4,
        'no' => 4,
        'hu' => 3,
        'fr' => 3,
        'cs' => 3,
    ];

    /** @var list<Resident> */
    public array $people = [];

    private Randomizer $random;

    /** @var array<string, true> */
    private array $numbers = [];

    public function __construct(int $seed = 20_261_130)
    {
        $this->random = new Randomizer(new Mt19937($seed));
        for ($household = 0; \count($this->people) < self::SIZE; ++$household) {
            $this->household('h'.$household);
        }
    }

    private function household(string $id): void
    {
        $culture = $this->culture();
        [$family, $script] = $this->pick(Pools::family($culture));
        if ('ru' !== $culture && 'zh' !== $culture && $this->chance(7)) {
            $family .= '-'.$this->pick(Pools::family($this->culture()))[0];
            $script = '';
        }
        $children = $this->chance(45) ? 1 : $this->random->getInt(2, 4);
        for ($n = 0; $n < $children; ++$n) {
            $this->add($id, $culture, $family, $script, $this->chance(88) ? 'learner' : 'staff');
        }
        if ($this->chance(35)) {
            $this->add($id, $culture, $family, $script, 'guardian');
        }
    }

    private function add(string $household, string $culture, string $family, string $script, string $kind): void
    {
        $n = \count($this->people);
        if ($n >= self::SIZE) {
            return;
        }
        [$first, $firstScript] = $this->pick(Pools::given($culture));
        $given = [$first];
        if ($this->chance(\in_array($culture, ['vi', 'pt', 'es', 'fr'], true) ? 45 : 18)) {
            $second = $this->pick(Pools::given($this->chance(85) ? $culture : $this->culture()))[0];
            $second === $first || ($given[] = $second);
        }
        $further = [];
        if ('' !== $firstScript && '' !== $script && $this->chance(70)) {
            $further[] = ['kind' => 'script', 'given' => $firstScript, 'family' => $script];
        }
        if ($this->chance(6)) {
            $further[] = ['kind' => 'former', 'given' => '', 'family' => $this->pick(
                Pools::family($this->culture())
            )[0]];
        }
        if ([] !== $further && $this->chance(20)) {
            $further[] = ['kind' => 'former', 'given' => '', 'family' => $this->pick(Pools::family($culture))[0]];
        }
        if ($this->chance(4)) {
            $further[] = ['kind' => 'passport', 'given' => $this->pick(Pools::given($culture))[0], 'family' => ''];
        }
        if ($this->chance(2)) {
            [$stage, $name] = explode(' ', $this->pick(explode('|', Pools::STAGE)), 2);
            $further[] = ['kind' => 'stage', 'given' => $stage, 'family' => $name];
        }
        $division = 'learner' === $kind ? $this->pick(['lower', 'upper', 'upper', 'dusk', 'summer']) : 'guild';
        $levels = self::LEVELS[$division] ?? null;
        $plain = static fn(string $text): string => Plain::letters($text);
        $login = match ($n % 4) {
            0 => $plain($first).'.'.$plain($family),
            1 => $plain($first)[0].$plain($family),
            2 => $plain($family).'_'.$plain($first),
            default => $plain($family),
        };
        $this->people[] = new Resident(
            'r'.$n,
            'staff' === $kind && $this->chance(15) ? 'external' : $kind,
            $division,
            null === $levels ? null : $this->random->getInt(...$levels),
            !$this->chance('learner' === $kind ? 8 : 4),
            $given,
            'fr' === $culture && $this->chance(60),
            $family,
            $this->chance(7) ? $this->pick(explode(' ', Pools::GOES_BY)) : null,
            $further,
            $this->number('learner' === $kind),
            substr($login, 0, 26).$n,
            $this->chance(85) ? substr($plain($first).'.'.$plain($family), 0, 28).'.'.$n.'@town.example' : null,
            $culture,
            $household,
        );
    }

    private function number(bool $learner): string
    {
        do {
            $front = (string) $this->random->getInt(100_000, 999_999);
            $number = $learner ? $front.self::check($front) : 'S'.substr($front, 0, 5);
        } while (isset($this->numbers[$number]));
        $this->numbers[$number] = true;

        return $number;
    }

    /** Every second digit from the right is doubled, the digits of what results added up, and filled up to tens. */
    public static function check(string $front): int
    {
        $sum = 0;
        for ($at = \strlen($front) - 1, $double = true; $at >= 0; --$at, $double = !$double) {
            $twice = (int) $front[$at] * ($double ? 2 : 1);
            $sum += intdiv($twice, 10) + $twice % 10;
        }

        return (10 - $sum % 10) % 10;
    }

    private function culture(): string
    {
        $at = $this->random->getInt(1, array_sum(self::CULTURES));
        foreach (self::CULTURES as $culture => $share) {
            $at -= $share;
            if ($at <= 0) {
                return $culture;
            }
        }

        return 'en';
    }

    private function chance(int $percent): bool
    {
        return $this->random->getInt(1, 100) <= $percent;
    }

    /**
     * @template T
     *
     * @param list<T> $from
     *
     * @return T
     */
    private function pick(array $from): mixed
    {
        return $from[$this->random->getInt(0, \count($from) - 1)];
    }
}
