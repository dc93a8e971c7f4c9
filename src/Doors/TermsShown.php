<?php

declare(strict_types=1);

namespace MintDoor\Doors;

/** Schema `DoorTerms`: what a door lets in whom as, with its days in the time zone of the site. */
final readonly class TermsShown implements \JsonSerializable
{
    public function __construct(
        public DoorPolicy $policy,
        public ?string $fromDay,
        public ?string $untilDay,
        public ?string $stayDay,
    ) {}

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        $policy = array_diff_key(get_object_vars($this->policy), ['stayUntil' => true, 'listed' => true]);

        return [
            ...$policy,
            'fromDay' => $this->fromDay,
            'untilDay' => $this->untilDay,
            'stayDay' => $this->stayDay,
        ];
    }
}
