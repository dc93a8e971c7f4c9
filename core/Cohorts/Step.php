<?php

declare(strict_types=1);

namespace MintDoor\Core\Cohorts;

use MintDoor\Core\Time\Spans;
use MintDoor\Core\Time\Window;

/** The next thing to do for somebody at the door of a connection. */
final readonly class Step
{
    /**
     * @param ?Window $window when they are there by the door from then on; null where they go or nothing is done
     * @param ?int    $again  when it is to be looked at again though nothing changes; null for never
     * @param bool    $takes  whether they lose by it what they have or were to have, or a part of it
     */
    private function __construct(
        public StepKind $kind,
        public ?Window $window = null,
        public ?int $again = null,
        public bool $takes = false,
    ) {}

    /**
     * @param Spans   $wanted when they are to be there by the door
     * @param ?Window $has    when they are, or will be, as it stands; null where they have nothing there any more
     */
    public static function of(Spans $wanted, ?Window $has, int $now): self
    {
        $left = $wanted->from($now)->windows;
        $next = $left[0] ?? null;
        if (null === $next) {
            return null === $has ? new self(StepKind::None) : new self(StepKind::Go, takes: true);
        }
        $again = isset($left[1]) ? $next->until : null;
        if (null === $has) {
            return new self(StepKind::Come, $next, $again);
        }
        $from = max($now, $has->from);
        if ($from === $next->from && $has->until === $next->until) {
            return new self(StepKind::None, again: $again);
        }

        return new self(StepKind::Change, $next, $again, $next->from > $from || $next->until < $has->until);
    }
}
