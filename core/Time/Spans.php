<?php

declare(strict_types=1);

namespace MintDoor\Core\Time;

/** Stretches of time, in order and apart from one another. */
final readonly class Spans
{
    /** @param list<Window> $windows */
    private function __construct(public array $windows) {}

    public static function never(): self
    {
        return new self([]);
    }

    public static function always(): self
    {
        return new self([new Window(Time::BEGINNING, Time::FOREVER)]);
    }

    public static function of(Window $window): self
    {
        return new self($window->from < $window->until ? [$window] : []);
    }

    public function isNever(): bool
    {
        return [] === $this->windows;
    }

    public function contains(int $instant): bool
    {
        return null !== $this->at($instant);
    }

    public function or(self $other): self
    {
        $all = [...$this->windows, ...$other->windows];
        usort($all, static fn(Window $a, Window $b): int => $a->from <=> $b->from);
        $joined = [];
        foreach ($all as $window) {
            $last = $joined[array_key_last($joined) ?? -1] ?? null;
            if (null !== $last && $window->from <= $last->until) {
                $joined[array_key_last($joined)] = new Window($last->from, max($last->until, $window->until));
            } else {
                $joined[] = $window;
            }
        }

        return new self($joined);
    }

    public function and(self $other): self
    {
        if ($this === self::always() || [] === $other->windows) {
            return $other;
        }
        $both = [];
        foreach ($this->windows as $one) {
            foreach ($other->windows as $two) {
                $from = max($one->from, $two->from);
                $until = min($one->until, $two->until);
                if ($from < $until) {
                    $both[] = new Window($from, $until);
                }
            }
        }

        return new self($both);
    }

    /** What is in these and not in the others. */
    public function without(self $other): self
    {
        $left = $this->windows;
        foreach ($other->windows as $gone) {
            $next = [];
            foreach ($left as $window) {
                foreach (
                    [[$window->from, min($window->until, $gone->from)], [max(
                        $window->from,
                        $gone->until
                    ), $window->until]] as [$from, $until]
                ) {
                    if ($from < $until) {
                        $next[] = new Window($from, $until);
                    }
                }
            }
            $left = $next;
        }

        return new self($left);
    }

    public function not(): self
    {
        return self::always()->without($this);
    }

    /** What is left of them from an instant on. */
    public function from(int $instant): self
    {
        return $this->and(self::of(new Window($instant, Time::FOREVER)));
    }

    /** The window that holds at an instant; null where none does. */
    public function at(int $instant): ?Window
    {
        foreach ($this->windows as $window) {
            if ($window->contains($instant)) {
                return $window;
            }
        }

        return null;
    }

    /** The first instant from one on that is in them; null for none. */
    public function first(int $from): ?int
    {
        foreach ($this->windows as $window) {
            if ($window->until > $from) {
                return max($from, $window->from);
            }
        }

        return null;
    }
}
