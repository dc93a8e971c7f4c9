<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

/**
 * A site that whoever belongs to a division is in by themselves, as long as they belong to it. What staff set there
 * holds: whom they removed is not brought again.
 */
final readonly class Starter
{
    /**
     * @param string       $division code; with those below it
     * @param string       $site     its short code when this was set
     * @param string       $role     code
     * @param list<string> $kinds    of people
     * @param ?int         $lowest   level; null for people of any level, and of none
     * @param ?int         $highest  level; null where `$lowest` is
     */
    public function __construct(
        public string $division,
        public string $site,
        public string $role,
        public array $kinds = ['learner'],
        public ?int $lowest = null,
        public ?int $highest = null,
    ) {}

    /** What tells it apart: its levels and kinds may become others without anybody having to come anew. */
    public function key(): string
    {
        return self::keyOf($this->division, $this->site, $this->role);
    }

    public static function keyOf(string $division, string $site, string $role): string
    {
        return $division.' '.$site.' '.$role;
    }

    /**
     * Whether somebody belongs there.
     *
     * @param list<string> $kinds codes of the kinds they are of
     */
    public function covers(array $kinds, string $division, ?int $level, DivisionTree $tree): bool
    {
        $fits = null === $this->lowest
            || null === $this->highest
            || (null !== $level && $this->lowest <= $level && $level <= $this->highest);

        return $fits && [] !== array_intersect($kinds, $this->kinds) && $tree->within($division, $this->division);
    }
}
