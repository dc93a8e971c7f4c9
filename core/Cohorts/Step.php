<?php

declare(strict_types=1);

namespace MintDoor\Core\Cohorts;

use MintDoor\Core\Time\Spans;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;

/** The next thing to do for somebody at the door of a connection. */
final readonly class Step
{
    /**
     * @param ?Window $window when they are there by the door from then on; null where they go or nothing is done
     * @param ?int    $again  when it is to be looked at again though nothing changes; null for never
     */
    private function __construct(public StepKind $kind, public ?Window $window = null, public ?int $again = null) {}

    /**
     * @param Spans   $wanted when they are to be there by the door
     * @param ?Window $has    when they are, or will be, as it stands; null where they have nothing there any more
     */
    public static function of(Spans $wanted, ?Window $has, int $now): self
    {
        $left = $wanted->from($now)->windows;
        $next = $left[0] ?? null;
        if (null === $next) {
            return null === $has ? new self(StepKind::None) : new self(StepKind::Go);
        }
        $again = isset($left[1]) ? $next->until : null;
        if (null === $has) {
            return new self(StepKind::Come, $next, $again);
        }
        $same = max($now, $has->from) === $next->from && $has->until === $next->until;

        return new self($same ? StepKind::None : StepKind::Change, $same ? null : $next, $again);
    }

    /** Whether they lose by it what they have, or are to lose it earlier. */
    public function takes(?Window $has): bool
    {
        return match ($this->kind) {
            StepKind::Go => true,
            StepKind::Change => ($this->window->until ?? Time::FOREVER) < ($has->until ?? Time::BEGINNING),
            default => false,
        };
    }
}
