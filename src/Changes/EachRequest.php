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
            minMessage: 'shared.choose-somebody-first',
            maxMessage: 'changes.choose-20-000-people',
        )]
        #[Assert\All([
            new Assert\Type('string'),
            new Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.not-persons-id'),
        ])]
        public array $people,
        #[Assert\Count(
            min: 1,
            max: 200,
            minMessage: 'shared.choose-site-first',
            maxMessage: 'shared.choose-200-sites-most',
        )]
        #[Assert\All([
            new Assert\Type('string'),
            new Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.not-sites-id'),
        ])]
        public array $sites,
        #[Assert\Choice(self::VERBS, message: 'shared.no-such-change')] public string $verb,
        #[Assert\Length(max: 32, maxMessage: 'shared.no-such-role')] public ?string $role = null,
        #[Assert\Date(message: 'shared.write-first-day-year')]
        public ?string $fromDay = null,
        #[Assert\Date(message: 'shared.write-last-day-year')]
        public ?string $untilDay = null,
        /** That roles above learner are meant, where none was asked for. */
        public bool $sure = false,
        /** Into which section, where it is one site. */
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.no-such-section')] public ?string $section = null,
        /** That being wanted in two places at once is meant for all of them; the note says why. */
        public bool $clash = false,
        /** @var list<string> of whom of them it is meant, where not of all */
        #[Assert\Count(max: 20_000)]
        #[Assert\All([new Assert\Type('string')])]
        public array $clashing = [],
        #[Assert\Length(max: 500, maxMessage: 'changes.shorten-note-500-characters')] public ?string $note = null,
    ) {}

    /** @return list<ChangeItem> */
    public function items(): array
    {
        $items = [];
        $clashing = array_flip($this->clashing);
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
                        note: $this->note,
                        section: $this->section,
                        sure: $this->sure,
                        clash: $this->clash || isset($clashing[$person]),
                    ),
                );
            }
        }

        return $items;
    }
}
