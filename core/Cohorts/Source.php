<?php

declare(strict_types=1);

namespace MintDoor\Core\Cohorts;

/** Something that rules read: what people are, their labels, the roster of a site, the members of another cohort. */
final readonly class Source
{
    private function __construct(public string $kind, public ?string $id = null) {}

    /** Their kind, division and level. */
    public static function person(): self
    {
        return new self('person');
    }

    public static function labels(): self
    {
        return new self('labels');
    }

    public static function site(string $id): self
    {
        return new self('site', $id);
    }

    public static function cohort(string $id): self
    {
        return new self('cohort', $id);
    }

    /** What tells it from others; that of a site is its id. */
    public function key(): string
    {
        return match ($this->kind) {
            'site' => (string) $this->id,
            'cohort' => 'cohort '.$this->id,
            default => $this->kind,
        };
    }
}
