<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;
use Symfony\Component\Validator\Context\ExecutionContextInterface;

/** One change for many sites: looked at only, or made. */
final readonly class SiteChangesRequest
{
    /** @param list<string> $sites ids */
    public function __construct(
        #[Assert\Count(
            min: 1,
            max: 200,
            minMessage: 'Choose a site first.',
            maxMessage: 'Choose 200 sites at most, and do the rest after.',
        )]
        #[Assert\Unique(message: 'A site is on the change list twice.')]
        #[Assert\All([
            new Assert\Type('string'),
            new Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'This is not a site\'s id.'),
        ])]
        public array $sites,
        #[Assert\Choice(['open', 'close', 'seats', 'lead'], message: 'There is no such change.')] public string $verb,
        /** A day of each site's zone, for opening and closing; null for now. */
        #[Assert\Date(message: 'Write the day as year-month-day, such as 2026-09-07.')] public ?string $on = null,
        /** Null for no limit. */
        #[Assert\Range(
            notInRangeMessage: 'Choose 1 to 100,000 seats, or leave it empty for no limit.',
            min: 1,
            max: 100_000,
        )]
        public ?int $seats = null,
        /** Who is to be a lead. */
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'This is not a person\'s id.')]
        public ?string $person = null,
        public bool $apply = false,
    ) {}

    #[Assert\Callback]
    public function check(ExecutionContextInterface $context): void
    {
        if ('lead' === $this->verb && null === $this->person) {
            $context->buildViolation('Choose who is to lead them.')->atPath('person')->addViolation();
        }
    }
}
