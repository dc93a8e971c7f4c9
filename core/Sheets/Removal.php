<?php

declare(strict_types=1);

namespace MintDoor\Core\Sheets;

/** That a sheet would take out a large share of a site, so that whoever applies it has to say how many. */
final readonly class Removal
{
    /** So many, and fewer, are never many. */
    public const FEW = 5;

    /** More than this share is many, in per cent. */
    public const SHARE = 20;

    private function __construct(
        public int $people,
        public int $here,
    ) {
    }

    /**
     * @param list<Line> $lines that are ready
     * @param int        $here  people in the site before
     *
     * @return ?self null where it is not many
     */
    public static function of(array $lines, int $here): ?self
    {
        $people = \count(array_filter($lines, static fn (Line $line): bool => true === $line->before?->state->here() && true !== $line->after?->state->here()));

        return $people > self::FEW && 100 * $people > self::SHARE * $here ? new self($people, $here) : null;
    }
}
