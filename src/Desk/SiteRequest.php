<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\Platform\Levels;
use Symfony\Component\Validator\Constraints as Assert;
use Symfony\Component\Validator\Context\ExecutionContextInterface;

/** The facts of a site as somebody typed them. */
final readonly class SiteRequest
{
    public string $title;
    public string $code;

    public function __construct(
        string $title,
        string $code,
        #[Assert\NotBlank(message: 'desk.choose-what-kind-site')]
        #[Assert\Length(max: 32, maxMessage: 'desk.choose-what-kind-site')]
        public string $kind,
        #[Assert\NotBlank(message: 'desk.choose-division')]
        #[Assert\Length(max: 32, maxMessage: 'shared.no-such-division')]
        public string $division,
        /** Code; empty for a site of no term. */
        #[Assert\Length(max: 32, maxMessage: 'desk.no-such-term')]
        public string $term = '',
        #[Assert\Range(
            notInRangeMessage: 'shared.levels-go-1-40',
            min: 1,
            max: Levels::HIGHEST
        )] public ?int $lowest = null,
        #[Assert\Range(
            notInRangeMessage: 'shared.levels-go-1-40',
            min: 1,
            max: Levels::HIGHEST
        )] public ?int $highest = null,
        #[Assert\Range(
            notInRangeMessage: 'desk.seats-go-1-100',
            min: 1,
            max: 100_000,
        )]
        public ?int $seats = null,
    ) {
        $this->title = trim((string) preg_replace('/\s+/u', ' ', mb_scrub($title)));
        $this->code = mb_strtoupper(trim($code));
    }

    #[Assert\Callback]
    public function check(ExecutionContextInterface $context): void
    {
        $say = static function (string $path, string $sentence) use ($context): void {
            $context->buildViolation($sentence)->atPath($path)->addViolation();
        };
        if ('' === trim((string) preg_replace('/[\p{C}\p{Z}]+/u', '', $this->title))) {
            $say('title', 'desk.give-site-title');
        } elseif (mb_strlen($this->title) > 160) {
            $context->buildViolation('desk.title-too-long')
                ->setParameters(['n' => mb_strlen($this->title)])
                ->atPath('title')
                ->addViolation();
        } elseif (1 === preg_match('/[\p{Cc}\x{202A}-\x{202E}\x{2066}-\x{2069}]/u', $this->title)) {
            $say('title', 'desk.title-invisible-control-characters');
        }
        if (1 !== preg_match('/^[A-Z0-9][A-Z0-9.-]{1,23}$/D', $this->code)) {
            $say('code', 'desk.short-code-2-24');
        }
        if (null === $this->lowest xor null === $this->highest) {
            $say(null === $this->lowest ? 'lowest' : 'highest', 'desk.give-both-ends-level');
        } elseif (null !== $this->lowest && $this->lowest > $this->highest) {
            $say('highest', 'desk.highest-level-below-lowest');
        }
    }
}
