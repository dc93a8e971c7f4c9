<?php

declare(strict_types=1);

namespace MintDoor\Core\Changes;

use MintDoor\Core\Roles\Limits;

/** That a change list would remove a large share of a site, so that whoever applies it has to say how many. */
final readonly class Removal
{
    private function __construct(public int $people, public int $here) {}

    /**
     * @param list<ComputedChange> $lines that are ready
     * @param int        $here  people in the site before
     *
     * @return ?self null where it is not many
     */
    public static function of(array $lines, int $here, Limits $limits = new Limits()): ?self
    {
        $people = \count(
            array_filter(
                $lines,
                static fn(ComputedChange $line): bool => true === $line->before?->state->here()
                    && true !== $line->after?->state->here(),
            ),
        );

        return $limits->manyRemoved($people, $here) ? new self($people, $here) : null;
    }

    /** This one and that of another site, together. */
    public function and(?self $other): self
    {
        return null === $other ? $this : new self($this->people + $other->people, $this->here + $other->here);
    }
}
