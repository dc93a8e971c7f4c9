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
            minMessage: 'shared.choose-site-first',
            maxMessage: 'shared.choose-200-sites-most',
        )]
        #[Assert\Unique(message: 'desk.site-change-list-twice')]
        #[Assert\All([
            new Assert\Type('string'),
            new Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.not-sites-id'),
        ])]
        public array $sites,
        #[Assert\Choice(['open', 'close', 'seats', 'lead'], message: 'shared.no-such-change')] public string $verb,
        /** A day of each site's zone, for opening and closing; null for now. */
        #[Assert\Date(message: 'desk.write-day-year-month')] public ?string $on = null,
        /** Null for no limit. */
        #[Assert\Range(
            notInRangeMessage: 'desk.choose-1-100-000',
            min: 1,
            max: 100_000,
        )]
        public ?int $seats = null,
        /** Who is to be a lead. */
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.not-persons-id')]
        public ?string $person = null,
        public bool $apply = false,
    ) {}

    #[Assert\Callback]
    public function check(ExecutionContextInterface $context): void
    {
        if ('lead' === $this->verb && null === $this->person) {
            $context->buildViolation('desk.choose-lead')->atPath('person')->addViolation();
        }
    }
}
