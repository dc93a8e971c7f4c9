<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** The lines of a change list over sites: written out, or the same for each of some people in each of some sites. */
final readonly class ContentsRequest
{
    public const MOST_WRITTEN = 2_000;

    /**
     * @param list<ChangeItem>                                          $lines
     * @param ?int                                                     $removing how many people it takes out, said
     *     again by whoever applies it where they are many
     * @param list<array{gist: string, text: string, person: string}> $settled  whom lines were settled to mean by hand,
     *     to be remembered in the site of the change list
     */
    public function __construct(
        #[Assert\Count(
            max: self::MOST_WRITTEN,
            maxMessage: 'changes.write-2-000-lines',
        )]
        #[Assert\Valid] public array $lines = [],
        #[Assert\Valid] public ?EachRequest $each = null,
        public ?int $removing = null,
        #[Assert\Count(max: self::MOST_WRITTEN)]
        #[Assert\All([
            new Assert\Collection([
                'gist' => [new Assert\Type('string'), new Assert\Length(min: 1, max: 120)],
                'text' => [new Assert\Type('string'), new Assert\Length(max: 200)],
                'person' => [new Assert\Type('string'), new Assert\Regex('/^'.Id::PATTERN.'$/D')],
            ]),
        ])]
        public array $settled = [],
        /** Words for those who are told what was done; null tells nobody. */
        #[Assert\Length(max: 2_000, maxMessage: 'shared.shorten-words-2-000')] public ?string $tell = null,
    ) {}

    /** @return list<ChangeItem> */
    public function items(): array
    {
        return $this->each?->items() ?? $this->lines;
    }
}
