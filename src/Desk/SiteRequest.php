<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use Symfony\Component\Validator\Constraints as Assert;
use Symfony\Component\Validator\Context\ExecutionContextInterface;

/** The facts of a site as somebody typed them. */
final readonly class SiteRequest
{
    public const KINDS = ['course', 'ensemble', 'workshop', 'studio', 'club', 'evening'];

    public string $title;
    public string $code;

    public function __construct(
        string $title,
        string $code,
        #[Assert\Choice(choices: self::KINDS, message: 'Choose what kind of site it is.')] public string $kind,
        #[Assert\NotBlank(message: 'Choose a division.')]
        #[Assert\Length(max: 32, maxMessage: 'There is no such division.')]
        public string $division,
        #[Assert\NotBlank(message: 'Choose a term.')]
        #[Assert\Length(max: 32, maxMessage: 'There is no such term.')]
        public string $term,
        #[Assert\Range(notInRangeMessage: 'Levels go from 1 to 20.', min: 1, max: 20)] public ?int $lowest = null,
        #[Assert\Range(notInRangeMessage: 'Levels go from 1 to 20.', min: 1, max: 20)] public ?int $highest = null,
        #[Assert\Range(
            notInRangeMessage: 'Seats go from 1 to 100,000. Leave it empty for no limit.',
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
            $say('title', 'Give the site a title.');
        } elseif (mb_strlen($this->title) > 160) {
            $say('title', \sprintf('Shorten the title to 160 characters; it has %d.', mb_strlen($this->title)));
        } elseif (1 === preg_match('/[\p{Cc}\x{202A}-\x{202E}\x{2066}-\x{2069}]/u', $this->title)) {
            $say('title', 'The title has invisible control characters in it. Type it instead of pasting it.');
        }
        if (1 !== preg_match('/^[A-Z0-9][A-Z0-9.-]{1,23}$/D', $this->code)) {
            $say('code', 'A short code is 2 to 24 letters A to Z, digits, dots and hyphens, such as HET-2.');
        }
        if (null === $this->lowest xor null === $this->highest) {
            $say(null === $this->lowest ? 'lowest' : 'highest', 'Give both ends of the level band, or neither.');
        } elseif (null !== $this->lowest && $this->lowest > $this->highest) {
            $say('highest', 'The highest level is below the lowest. Swap them.');
        }
    }
}
