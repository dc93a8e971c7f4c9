<?php

declare(strict_types=1);

namespace MintDoor\Core\People;

use MintDoor\Core\Time\Time;

/** What the rules need to know of a person; names and addresses are none of their business. */
final readonly class Person
{
    /**
     * @param ?string $own           code of the kind of people that the platform has beside the four, if of one
     * @param int $accountClosedFrom the instant from which the account is closed, `Time::FOREVER` for an open one
     */
    public function __construct(
        public string $id,
        public PersonKind $kind,
        public string $division,
        public ?int $level = null,
        public int $accountClosedFrom = Time::FOREVER,
        public ?string $own = null,
    ) {}

    /** @return list<string> codes of the kinds they are of */
    public function kinds(): array
    {
        return [$this->kind->value, ...null === $this->own ? [] : [$this->own]];
    }

    public function accountOpen(int $instant): bool
    {
        return $instant < $this->accountClosedFrom;
    }
}
