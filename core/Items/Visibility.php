<?php

declare(strict_types=1);

namespace MintDoor\Core\Items;

use MintDoor\Core\Time\Spans;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;

/**
 * Who sees an item, as a sentence: everybody, or those of some sections, groups, roles or labels, from a day to a day;
 * parts are joined by *and* or by *or*.
 */
final readonly class Visibility
{
    /** So deep parts may stand in parts, and so many in all. */
    public const DEEPEST = 3;
    public const MOST_PARTS = 40;

    /**
     * @param list<string>   $names of sections or groups (ids), roles (codes) or labels
     * @param list<self>     $parts of what is joined
     */
    private function __construct(
        public VisibilityKind $kind,
        public array $names = [],
        public ?Window $window = null,
        public array $parts = [],
    ) {}

    public static function everybody(): self
    {
        return new self(VisibilityKind::Everybody);
    }

    public static function sections(string ...$ids): self
    {
        return new self(VisibilityKind::Sections, self::listed($ids));
    }

    public static function groups(string ...$ids): self
    {
        return new self(VisibilityKind::Groups, self::listed($ids));
    }

    public static function roles(string ...$codes): self
    {
        return new self(VisibilityKind::Roles, self::listed($codes));
    }

    public static function labels(string ...$names): self
    {
        return new self(VisibilityKind::Labels, self::listed($names));
    }

    public static function between(int $from, int $until): self
    {
        return new self(VisibilityKind::Dates, window: new Window($from, max($from, $until)));
    }

    public static function all(self ...$parts): self
    {
        return new self(VisibilityKind::All, parts: array_values($parts));
    }

    public static function any(self ...$parts): self
    {
        return new self(VisibilityKind::Any, parts: array_values($parts));
    }

    /** When somebody sees it, as long as they are what they are now. */
    public function spans(Viewer $viewer): Spans
    {
        if ($viewer->makes) {
            return Spans::always();
        }
        $are = match ($this->kind) {
            VisibilityKind::Everybody => true,
            VisibilityKind::Sections => [] !== array_intersect($this->names, $viewer->sections),
            VisibilityKind::Groups => [] !== array_intersect($this->names, $viewer->groups),
            VisibilityKind::Roles => [] !== array_intersect($this->names, $viewer->roles),
            VisibilityKind::Labels => [] !== array_intersect(
                array_map(mb_strtolower(...), $this->names),
                $viewer->labels
            ),
            default => null,
        };
        if (null !== $are) {
            return $are ? Spans::always() : Spans::never();
        }
        if (null !== $this->window) {
            return Spans::of($this->window);
        }
        $spans = VisibilityKind::All === $this->kind ? Spans::always() : Spans::never();
        foreach ($this->parts as $part) {
            $own = $part->spans($viewer);
            $spans = VisibilityKind::All === $this->kind ? $spans->and($own) : $spans->or($own);
        }

        return $spans;
    }

    public function sees(Viewer $viewer, int $at): bool
    {
        return $this->spans($viewer)->contains($at);
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

    /** @return list<string> names of a kind that it speaks of anywhere */
    public function named(VisibilityKind $kind): array
    {
        $names = $kind === $this->kind ? $this->names : [];
        foreach ($this->parts as $part) {
            array_push($names, ...$part->named($kind));
        }

        return self::listed($names);
    }

    /** @return list<self> parts of it that are about what people are, however deep */
    public function atoms(): array
    {
        $own = $this->kind->isAboutPeople();
        $atoms = $own ? [$this] : [];
        foreach ($this->parts as $part) {
            array_push($atoms, ...$part->atoms());
        }

        return $atoms;
    }

    /** The first instant at which dates of it begin; null where it has none. */
    public function firstDate(): ?int
    {
        $first = null === $this->window || $this->window->from <= Time::BEGINNING ? null : $this->window->from;
        foreach ($this->parts as $part) {
            $own = $part->firstDate();
            $first = null === $own ? $first : min($first ?? $own, $own);
        }

        return $first;
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
