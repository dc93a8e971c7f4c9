<?php

declare(strict_types=1);

namespace MintDoor\Core\Changes;

/**
 * All lines that were applied to one enrollment, and which of them still hold: a line does unless another that holds
 * took it back. So a line taken back and brought again holds again, and what stands between may be undone step by step.
 */
final readonly class ChangeHistory
{
    /** @var array<string, Done> by id, in order */
    private array $lines;

    /** @var array<string, string> id of a line that does not hold => id of the line that took it back */
    private array $undoneBy;

    /** @param list<Done> $lines in any order, no two of one version */
    public function __construct(array $lines)
    {
        usort($lines, static fn(Done $a, Done $b): int => $a->version <=> $b->version);
        $this->lines = array_column($lines, null, 'id');
        $undoneBy = [];
        // A line is only ever taken back by a later one, so from the last one back each is settled when it is met.
        foreach (array_reverse($lines) as $line) {
            if (null !== $line->undoes && !isset($undoneBy[$line->id])) {
                $undoneBy[$line->undoes] ??= $line->id;
            }
        }
        $this->undoneBy = $undoneBy;
    }

    /** The line that took this one back, null while it holds. */
    public function undoneBy(string $id): ?string
    {
        return $this->undoneBy[$id] ?? null;
    }

    /** Whether a line holds and nothing that came after it does, so that taking it back gives what was before it. */
    public function mayUndo(string $id): bool
    {
        $line = $this->lines[$id] ?? null;
        if (null === $line || isset($this->undoneBy[$id])) {
            return false;
        }
        foreach ($this->lines as $later) {
            if ($later->version <= $line->version || isset($this->undoneBy[$later->id])) {
                continue;
            }
            $target = null === $later->undoes ? null : $this->lines[$later->undoes] ?? null;
            if (null === $target || $target->version <= $line->version) {
                return false;
            }
        }

        return true;
    }
}
