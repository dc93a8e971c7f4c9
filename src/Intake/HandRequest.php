<?php

declare(strict_types=1);

namespace MintDoor\Intake;

use MintDoor\Core\Intake\Column;
use MintDoor\Core\Intake\HandLine;
use MintDoor\Core\Intake\PastedText;
use Symfony\Component\Validator\Constraints as Assert;

/** How somebody said that a line is to be read: schema `LineByHand`. */
final readonly class HandRequest
{
    /**
     * @param string              $text  the line, as it was pasted
     * @param bool                $one   whether it is about one person
     * @param list<int>           $cuts  pieces with which another person begins
     * @param array<array-key, string> $words what pieces are, by their place: given, family, remark
     * @param bool                $meant whether a person is meant
     */
    public function __construct(
        #[Assert\Length(max: 16_000, maxMessage: 'intake.too-much-by-hand')] public string $text,
        public bool $one = false,
        #[Assert\Count(max: 100, maxMessage: 'intake.too-much-by-hand')]
        #[Assert\All([new Assert\Type('int', message: 'intake.too-much-by-hand')])]
        public array $cuts = [],
        #[Assert\Count(max: 100, maxMessage: 'intake.too-much-by-hand')]
        #[Assert\All([new Assert\Choice(['given', 'family', 'remark'], message: 'intake.too-much-by-hand')])]
        public array $words = [],
        public bool $meant = false,
    ) {}

    public function shown(): string
    {
        return trim(PastedText::clean($this->text));
    }

    public function line(): HandLine
    {
        $words = [];
        foreach ($this->words as $at => $column) {
            $words[(int) $at] = Column::from($column);
        }

        return new HandLine($this->one, $this->cuts, $words, $this->meant);
    }
}
