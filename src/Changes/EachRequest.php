<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** The same for each of some people in each of some sites. */
final readonly class EachRequest
{
    private const VERBS = ['let-in', 'remove', 'change-role'];

    /**
     * @param list<string> $people ids
     * @param list<string> $sites  ids
     */
    public function __construct(
        #[Assert\Count(
            min: 1,
            max: 20_000,
            minMessage: 'Choose somebody first.',
            maxMessage: 'Choose 20,000 people at most, and do the rest after.',
        )]
        #[Assert\All([
            new Assert\Type('string'),
            new Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'This is not a person\'s id.'),
        ])]
        public array $people,
        #[Assert\Count(
            min: 1,
            max: 200,
            minMessage: 'Choose a site first.',
            maxMessage: 'Choose 200 sites at most, and do the rest after.',
        )]
        #[Assert\All([
            new Assert\Type('string'),
            new Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'This is not a site\'s id.'),
        ])]
        public array $sites,
        #[Assert\Choice(self::VERBS, message: 'There is no such change.')] public string $verb,
        #[Assert\Length(max: 32, maxMessage: 'There is no such role.')] public ?string $role = null,
        #[Assert\Date(message: 'Write the first day as year-month-day, such as 2026-09-07.')]
        public ?string $fromDay = null,
        #[Assert\Date(message: 'Write the last day as year-month-day, such as 2026-12-18.')]
        public ?string $untilDay = null,
        /** That roles above learner are meant, where none was asked for. */
        public bool $sure = false,
    ) {}

    /** @return list<ChangeItem> */
    public function items(): array
    {
        $items = [];
        foreach (array_unique($this->sites) as $site) {
            foreach (array_unique($this->people) as $person) {
                $items[] = new ChangeItem(
                    $site,
                    new LineRequest(
                        $person,
                        $this->verb,
                        $this->role,
                        $this->fromDay,
                        $this->untilDay,
                        sure: $this->sure
                    ),
                );
            }
        }

        return $items;
    }
}
