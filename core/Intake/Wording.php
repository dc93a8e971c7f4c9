<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

use MintDoor\Core\Text\NameKeys;
use MintDoor\Core\Text\Nicknames;

/**
 * What the words of pasted lines may stand for: themselves, what they are short for, and names of the directory one
 * slip away.
 */
final readonly class Wording
{
    /** Names near a word that are tried. */
    private const MOST_NEAR = 6;

    /** @var array<string, true> in the shared spelling */
    private array $known;

    /** @var array<string, list<string>> word => names near it, the nearest first */
    private array $near;

    /**
     * @param list<string>     $names folded words of the directory's names, at least those that share a slip
     *     (`NameKeys::slips()`) with a word of the lines
     * @param list<PastedLine> $lines
     */
    public function __construct(private Nicknames $nicknames, array $names, array $lines)
    {
        $this->known = array_fill_keys(array_map(NameKeys::canon(...), $names), true);
        $bySlip = $near = [];
        foreach ($names as $name) {
            foreach (NameKeys::slips($name) as $key) {
                $bySlip[$key][] = $name;
            }
        }
        foreach (self::words($lines) as $word) {
            $found = [];
            foreach (\strlen($word) > 2 ? NameKeys::slips($word) : [] as $key) {
                foreach ($bySlip[$key] ?? [] as $name) {
                    $found[$name] ??= Slip::between($word, $name);
                }
            }
            unset($found[$word]);
            asort($found);
            $near[$word] = array_map(
                strval(...),
                array_keys(
                    \array_slice(
                        array_filter($found, static fn(float $apart): bool => $apart < Slip::OTHER),
                        0,
                        self::MOST_NEAR,
                        true,
                    ),
                ),
            );
        }
        $this->near = $near;
    }

    /**
     * All words people of these lines may be called.
     *
     * @param list<PastedLine> $lines
     *
     * @return list<string>
     */
    public static function words(array $lines): array
    {
        $words = [];
        foreach ($lines as $line) {
            foreach ($line->person ? $line->words : [] as $word) {
                $words[$word] = true;
            }
        }

        return array_map(strval(...), array_keys($words));
    }

    /** Whether the directory has somebody called so. */
    public function knows(string $word): bool
    {
        return isset($this->known[NameKeys::canon($word)]);
    }

    /** Whether somebody is called so, or nearly so. */
    public function mayBeAName(string $word): bool
    {
        return $this->knows($word) || [] !== ($this->near[$word] ?? []);
    }

    public function nicknames(): Nicknames
    {
        return $this->nicknames;
    }

    /** @return list<string> pairs under which whoever a line means is found */
    public function keys(PastedLine $line): array
    {
        $own =
            array_values(array_filter($line->words, static fn(string $word): bool => !NameKeys::isParticle($word)))
            ?: $line->words;
        $words = array_map(NameKeys::canon(...), $own);
        $others = array_map(
            fn(string $word): array => [
                ...array_map(NameKeys::canon(...), $this->nicknames->of($word)),
                ...array_map(NameKeys::canon(...), $this->near[$word] ?? []),
            ],
            $own,
        );
        $pairs = [];
        $count = \count($words);
        for ($i = 0; $i < $count; ++$i) {
            for ($j = $i + 1; $j < $count; ++$j) {
                $pairs[NameKeys::pair($words[$i], $words[$j])] = true;
                foreach ($others[$i] as $other) {
                    $pairs[NameKeys::pair($other, $words[$j])] = true;
                }
                foreach ($others[$j] as $other) {
                    $pairs[NameKeys::pair($words[$i], $other)] = true;
                }
            }
        }
        // A particle may be somebody's whole family name.
        $all = $line->words;
        foreach (array_filter($all, NameKeys::mayBeANameOfItsOwn(...)) as $particle) {
            foreach ($all as $word) {
                if ($word !== $particle) {
                    $pairs[NameKeys::pair(NameKeys::canon($particle), NameKeys::canon($word))] = true;
                }
            }
        }
        // Written as one what the directory has as two, particles and all.
        for ($i = 0; $i + 1 < \count($all) && \count($all) > 2; ++$i) {
            foreach ([2, 3] as $length) {
                $joined = NameKeys::canon(implode('', \array_slice($all, $i, $length)));
                foreach ([...\array_slice($all, 0, $i), ...\array_slice($all, $i + $length)] as $word) {
                    $pairs[NameKeys::pair($joined, NameKeys::canon($word))] = true;
                }
            }
        }

        return array_map(strval(...), array_keys($pairs));
    }
}
