<?php

declare(strict_types=1);

namespace MintDoor\Core\Cohorts;

use MintDoor\Core\Time\Spans;

/** Who belongs to a cohort, as a sentence: what people are and where they are, joined by "and", "or" and "not". */
final readonly class Rule
{
    /** So deep parts may stand in parts, and so many in all. */
    public const DEEPEST = 6;
    public const MOST_PARTS = 60;

    /**
     * @param list<string> $names   codes of kinds or divisions, or labels
     * @param ?int         $lowest  level; with `$highest`
     * @param ?string      $site    id, of a part of kind `In`
     * @param ?string      $section id; null for any, and for none
     * @param ?string      $role    code; null for any
     * @param ?string      $cohort  id
     * @param list<self>   $parts   of what is joined
     */
    private function __construct(
        public RuleKind $kind,
        public array $names = [],
        public ?int $lowest = null,
        public ?int $highest = null,
        public ?string $site = null,
        public ?string $section = null,
        public ?string $role = null,
        public ?string $cohort = null,
        public array $parts = [],
    ) {}

    /** People of any of some kinds. */
    public static function kinds(string ...$codes): self
    {
        return new self(RuleKind::Kinds, self::listed($codes));
    }

    /** People of any of some divisions, or of those below them. */
    public static function divisions(string ...$codes): self
    {
        return new self(RuleKind::Divisions, self::listed($codes));
    }

    /** Both ends included; who has no level is at none of them. */
    public static function levels(int $lowest, int $highest): self
    {
        return new self(RuleKind::Levels, lowest: $lowest, highest: $highest);
    }

    /** Whoever bears any of some labels, however they are capitalised. */
    public static function labels(string ...$names): self
    {
        return new self(RuleKind::Labels, self::listed($names));
    }

    /** Whoever is in a site: accepted, begun and not over. A pause leaves them there. */
    public static function in(string $site, ?string $section = null, ?string $role = null): self
    {
        return new self(RuleKind::In, site: $site, section: $section, role: $role);
    }

    public static function cohort(string $id): self
    {
        return new self(RuleKind::Cohort, cohort: $id);
    }

    /** Everybody where it has no parts. */
    public static function all(self ...$parts): self
    {
        return new self(RuleKind::All, parts: array_values($parts));
    }

    /** Nobody where it has no parts. */
    public static function any(self ...$parts): self
    {
        return new self(RuleKind::Any, parts: array_values($parts));
    }

    public static function not(self $part): self
    {
        return new self(RuleKind::Not, parts: [$part]);
    }

    /** When it holds of somebody, as long as they are what they are now and what is known to end ends. */
    public function spans(Facts $facts): Spans
    {
        return match ($this->kind) {
            RuleKind::In => $facts->in($this->site ?? '', $this->section, $this->role),
            RuleKind::Cohort => $facts->cohorts[$this->cohort ?? ''] ?? Spans::never(),
            RuleKind::All => $this->together($facts),
            RuleKind::Any => array_reduce(
                $this->parts,
                static fn(Spans $so, self $part): Spans => $so->or($part->spans($facts)),
                Spans::never(),
            ),
            RuleKind::Not => $this->parts[0]->spans($facts)->not(),
            default => $this->isSo($facts) ? Spans::always() : Spans::never(),
        };
    }

    /** When all of its parts hold; those that come after one that never does are not looked at. */
    private function together(Facts $facts): Spans
    {
        $spans = Spans::always();
        foreach ($this->parts as $part) {
            $spans = $spans->and($part->spans($facts));
            if ($spans->isNever()) {
                break;
            }
        }

        return $spans;
    }

    public function holds(Facts $facts, int $at): bool
    {
        return $this->spans($facts)->contains($at);
    }

    /** How deep its parts stand in one another. */
    public function depth(): int
    {
        return 1 + max([0, ...array_map(static fn(self $part): int => $part->depth(), $this->parts)]);
    }

    /** How many parts it has in all, itself included. */
    public function size(): int
    {
        return 1 + array_sum(array_map(static fn(self $part): int => $part->size(), $this->parts));
    }

    /** @return list<self> parts of it that join nothing, however deep, in the order of the sentence */
    public function atoms(): array
    {
        if (!$this->kind->joins()) {
            return [$this];
        }

        return array_merge([], ...array_map(static fn(self $part): array => $part->atoms(), $this->parts));
    }

    /** @return list<self> parts without which it holds of nobody; whoever they all hold of may belong */
    public function necessary(): array
    {
        return match ($this->kind) {
            RuleKind::All => array_merge(
                [],
                ...array_map(static fn(self $part): array => $part->necessary(), $this->parts)
            ),
            RuleKind::Any => 1 === \count($this->parts) ? $this->parts[0]->necessary() : [],
            RuleKind::Not => [],
            default => [$this],
        };
    }

    /** @return list<Source> what it follows from, each once: always of the person, who may leave the directory */
    public function reads(): array
    {
        $reads = [Source::person()->key() => Source::person()];
        foreach ($this->atoms() as $atom) {
            $source = match ($atom->kind) {
                RuleKind::In => Source::site($atom->site ?? ''),
                RuleKind::Cohort => Source::cohort($atom->cohort ?? ''),
                RuleKind::Labels => Source::labels(),
                default => Source::person(),
            };
            $reads[$source->key()] = $source;
        }

        return array_values($reads);
    }

    private function isSo(Facts $facts): bool
    {
        return match ($this->kind) {
            RuleKind::Kinds => [] !== array_intersect($this->names, $facts->kinds),
            RuleKind::Divisions => [] !== array_intersect($this->names, $facts->divisions),
            RuleKind::Labels => [] !== array_intersect(
                array_map(Facts::folded(...), $this->names),
                array_map(Facts::folded(...), $facts->labels),
            ),
            RuleKind::Levels => null !== $facts->level
                && $this->lowest <= $facts->level
                && $facts->level <= $this->highest,
            default => false,
        };
    }

    /**
     * @param array<array-key, string> $names
     *
     * @return list<string> in order, no repeats
     */
    private static function listed(array $names): array
    {
        $names = array_values(array_unique($names));
        sort($names);

        return $names;
    }
}
