<?php

declare(strict_types=1);

namespace MintDoor\Sheets;

use MintDoor\Hall\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** One line as it is asked for. Days are of the site's time zone; the last one is included. */
final readonly class LineWish
{
    public function __construct(
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'This is not a person\'s id.')]
        public string $person,
        #[Assert\Choice(['let-in', 'change-role', 'take-out', 'bring-back'], message: 'Say let-in, change-role, take-out or bring-back.')]
        public string $verb,
        #[Assert\Length(max: 32, maxMessage: 'There is no such role.')]
        public ?string $role = null,
        #[Assert\Date(message: 'Write the first day as year-month-day, such as 2026-09-07.')]
        public ?string $fromDay = null,
        #[Assert\Date(message: 'Write the last day as year-month-day, such as 2026-12-18.')]
        public ?string $untilDay = null,
        /** The version of the enrollment that was looked at; null where it does not matter. */
        #[Assert\PositiveOrZero]
        public ?int $version = null,
    ) {
    }
}
