<?php

declare(strict_types=1);

namespace MintDoor\Intake;

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
    ) {}

    #[Assert\Callback]
    public function check(ExecutionContextInterface $context): void
    {
        $say = static function (string $sentence) use ($context): void {
            $context->buildViolation($sentence)->atPath('text')->addViolation();
        };
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
