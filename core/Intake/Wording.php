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

    /** Words of one person stand close together. */
    private const WINDOW = 8;
    private const NARROW = 5;

    /** Nobody has a longer name; so many names one behind the other are nobody's. */
    public const MOST_WORDS = 14;
    private const MOST_NAMES = 8;

    /** In a line of so many words, one that nobody is called may be several that the directory has apart. */
    private const FEW = 6;

    /** How far a name is without what is left of its particle, where it is long enough. */
    private const ELIDED = 0.9;
    private const LONG_ENOUGH = 5;

    /** @var array<string, true> in the shared spelling */
    private array $known;

    /** @var array<string, list<string>> word => names near it, the nearest first */
    private array $near;

    /** @var array<string, array<string, float>> word => how far all the names near it are */
    private array $apart;

    /**
     * @param list<string>     $names folded words of the directory's names, at least those that share a slip
     *     (`NameKeys::slips()`) with a word of the lines
     * @param list<PastedLine> $lines
     */
    public function __construct(private Nicknames $nicknames, array $names, array $lines)
    {
        $this->known = array_fill_keys(array_map(NameKeys::canon(...), $names), true);
        $bySlip = $near = $apart = [];
        foreach ($names as $name) {
            foreach (NameKeys::slips($name) as $key) {
                $bySlip[$key][] = $name;
            }
        }
        foreach (self::words($lines) as $word) {
            $found = [];
            foreach (\strlen($word) > 2 ? NameKeys::slips($word) : [] as $key) {
                foreach ($bySlip[$key] ?? [] as $name) {
                    $found[$name] ??= self::elided($word, $name) ? self::ELIDED : Slip::between($word, $name);
                }
            }
            unset($found[$word]);
            $found = array_filter($found, static fn(float $apart): bool => $apart < Slip::OTHER);
            asort($found);
            $apart[$word] = $found;
            $near[$word] = array_map(strval(...), array_keys(\array_slice($found, 0, self::MOST_NEAR, true)));
        }
        [$this->near, $this->apart] = [$near, $apart];
    }

    /** Whether a name is the word with what is left of a particle in front: d'Aubigny, O'Hanrahan. */
    public static function elided(string $word, string $name): bool
    {
        return \strlen($word) >= self::LONG_ENOUGH
            && \strlen($name) === \strlen($word) + 1
            && str_contains('dlo', $name[0])
            && str_ends_with($name, $word);
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
            foreach ($line->person ? $line->words : [] as $n => $word) {
                $words[$word] = true;
                foreach ($line->pieces[$line->places[$n]]->spellings as $spelling) {
                    $words[$spelling] = true;
                }
            }
        }

        return array_map(strval(...), array_keys($words));
    }

    /** Whether the directory has somebody called so. */
    public function knows(string $word): bool
    {
        return isset($this->known[NameKeys::canon($word)]);
    }

    /** How far a name of the directory is from a word of the lines; null for more than a slip. */
    public function apart(string $word, string $name): ?float
    {
        return $this->apart[$word][$name] ?? null;
    }

    /** Whether somebody is called so, or it is short for a name. */
    public function isName(string $word): bool
    {
        return $this->knows($word) || [] !== $this->nicknames->of($word);
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

    /** @return list<string> pairs under which whoever a line, or a part of it, means is found */
    public function keys(PastedLine $line): array
    {
        $all = [];
        $few = \count($line->words) <= self::FEW;
        $run = 0;
        $runs = $names = [];
        foreach ($line->words as $n => $word) {
            $run += (int) $line->pieces[$line->places[$n]]->gap->parts();
            $runs[$run][] = $n;
            $names[$run] = ($names[$run] ?? 0) + (int) (1 === \strlen($word) || $this->mayBeAName($word));
        }
        foreach ($runs as $run => $places) {
            foreach ($names[$run] > self::MOST_NAMES ? [] : $places as $n) {
                $word = $line->words[$n];
                // In a long line a word that is somebody's name is taken for no other.
                $slips = $few || !$this->knows($word);
                $all[] = [$word, ...$this->forms($word, $line->pieces[$line->places[$n]], $slips)];
            }
        }
        $pairs = [];
        $window = $few ? self::WINDOW : self::NARROW;
        foreach ($all as $i => [$word, $forms, $maybe, $firm]) {
            for ($j = $i + 1; $j < \count($all) && $j <= $i + $window; ++$j) {
                [$other, $others, $perhaps, $sure] = $all[$j];
                if (!$maybe && !$perhaps && !$few) {
                    continue;
                }
                // A slip in each of two words is one in each of two long ones.
                $plain = $this->knows($word) || $this->knows($other);
                foreach ($forms as $at => $one) {
                    foreach ($others as $place => $two) {
                        if ($at < $firm || $place < $sure || !$plain) {
                            $pairs[NameKeys::pair($one, $two)] = true;
                        }
                    }
                }
                $this->far($word, $other, $forms[0], $others[0], $pairs);
            }
        }
        // Written as one what the directory has as two, particles and all.
        $words = $line->words;
        for ($i = 0; $i + 1 < \count($words) && $i < self::WINDOW && \count($words) > 2; ++$i) {
            foreach ([2, 3] as $length) {
                $joined = NameKeys::canon(implode('', \array_slice($words, $i, $length)));
                if (!isset($this->known[$joined])) {
                    continue;
                }
                foreach ([...\array_slice($words, 0, $i), ...\array_slice($words, $i + $length)] as $word) {
                    $pairs[NameKeys::pair($joined, NameKeys::canon($word))] = true;
                }
            }
        }

        return array_map(strval(...), array_keys($pairs));
    }

    /**
     * A long word that nobody is called may be one with two slips: whoever has the other name, and this first letter.
     *
     * @param array<string, true> $pairs
     */
    private function far(string $word, string $other, string $one, string $two, array &$pairs): void
    {
        foreach ([[$word, $other, $two], [$other, $word, $one]] as [$long, $sure, $canon]) {
            if (
                \strlen($long) >= Slip::LONG
                && !$this->mayBeAName($long)
                && \strlen($sure) > 1
                && $this->isName($sure)
            ) {
                $pairs[NameKeys::pair(NameKeys::canon($long)[0], $canon)] = true;
            }
        }
    }

    /**
     * @return array{non-empty-list<string>, bool, int} as it is compared, what it may stand for; whether it may be a
     *     name; how many of these are but other letters for it
     */
    private function forms(string $word, Piece $piece, bool $slips): array
    {
        $spellings = array_filter($piece->spellings, $this->knows(...));
        $others = [...$spellings, ...$this->nicknames->of($word), ...$slips ? $this->near[$word] ?? [] : []];
        foreach ($piece->spellings as $spelling) {
            $others = [...$others, ...$this->near[$spelling] ?? []];
        }
        if (1 === preg_match('/^\p{Lu}{2,3}$/Du', $piece->text)) {
            $others[] = $word[0];
        }

        return [
            array_values(array_map(NameKeys::canon(...), [$word, ...$others])),
            [] !== $others || 1 === \strlen($word) || $this->knows($word),
            1 + \count($spellings),
        ];
    }
}
