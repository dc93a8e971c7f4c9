<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use Symfony\Component\Validator\Constraints as Assert;
use Symfony\Component\Validator\Context\ExecutionContextInterface;

/** A change list as it is asked for. One line is a change made by hand; several are reviewed first. */
final readonly class ChangeRequest
{
    public const MOST_LINES = 1_000;

    /**
     * @param list<LineRequest> $lines
     * @param ?int           $removing how many people it takes out, said again by whoever applies it where they are
     *     many
     */
    public function __construct(
        #[Assert\Count(
            min: 1,
            max: self::MOST_LINES,
            minMessage: 'shared.choose-somebody-first',
            maxMessage: 'changes.change-list-1-000',
        )]
        #[Assert\Valid] public array $lines,
        public bool $apply = true,
        public ?int $removing = null,
        /** Words for those who are told what was done; null tells nobody. */
        #[Assert\Length(max: 2_000, maxMessage: 'shared.shorten-words-2-000')] public ?string $tell = null,
    ) {}

    #[Assert\Callback]
    public function check(ExecutionContextInterface $context): void
    {
        $people = [];
        foreach ($this->lines as $index => $line) {
            if (isset($people[$line->person])) {
                $context
                    ->buildViolation('changes.person-change-list-already')
                    ->atPath("lines[$index].person")
                    ->addViolation();
            }
            $people[$line->person] = true;
        }
    }
}
