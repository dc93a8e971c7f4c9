<?php

declare(strict_types=1);

namespace MintDoor\Intake;

use MintDoor\Core\Intake\Column;
use MintDoor\Core\Intake\Hand;
use Symfony\Component\Validator\Constraints as Assert;
use Symfony\Component\Validator\Context\ExecutionContextInterface;

/** Pasted text whose lines are to be read. */
final readonly class PastedRequest
{
    public const MOST_LINES = 2_000;

    public const MOST_CHARACTERS = 400_000;

    public function __construct(
        public string $text,
        /** As what they are to be let in; null for what each suggests. */
        #[Assert\Length(max: 32, maxMessage: 'shared.no-such-role')] public ?string $role = null,
        /**
         * What the list's columns hold, by cell: given, family or remark.
         *
         * @var array<array-key, string>
         */
        #[Assert\Count(max: 60, maxMessage: 'intake.too-much-by-hand')]
        #[Assert\All([new Assert\Choice(['given', 'family', 'remark'], message: 'intake.too-much-by-hand')])]
        public array $columns = [],
        /** @var list<HandRequest> */
        #[Assert\Count(max: 2_000, maxMessage: 'intake.too-much-by-hand')]
        #[Assert\Valid]
        public array $hands = [],
    ) {}

    public function hand(): Hand
    {
        $columns = $lines = [];
        foreach ($this->columns as $cell => $column) {
            $columns[(int) $cell] = Column::from($column);
        }
        foreach ($this->hands as $hand) {
            $lines[$hand->shown()] = $hand->line();
        }

        return new Hand($columns, $lines);
    }

    #[Assert\Callback]
    public function check(ExecutionContextInterface $context): void
    {
        $say = static function (string $sentence) use ($context): void {
            $context->buildViolation($sentence)->atPath('text')->addViolation();
        };
        $byHand = array_sum(array_map(static fn(HandRequest $each): int => mb_strlen($each->text), $this->hands));
        if ($byHand > self::MOST_CHARACTERS) {
            $context->buildViolation('intake.too-much-by-hand')->atPath('hands')->addViolation();
        }
        if (mb_strlen($this->text) > self::MOST_CHARACTERS) {
            $context->buildViolation('intake.text-too-long')
                ->setParameters(['n' => mb_strlen($this->text), 'most' => self::MOST_CHARACTERS])
                ->atPath('text')
                ->addViolation();
        } elseif (
            substr_count($this->text, "\0") > 0
            && preg_match_all('/[\x00-\x08\x0E-\x1F]/', $this->text) > \strlen($this->text) / 50
        ) {
            $say('intake.not-text-but-inside');
        }
    }
}
