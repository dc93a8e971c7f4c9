<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Changes\ChangeRequest;
use MintDoor\People\Repository\Labels;
use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** A label to be put on people of a site, or taken off them: looked at only, or done. */
final readonly class LabelRequest
{
    /** @param list<string> $people ids */
    public function __construct(
        #[Assert\NotBlank(message: 'desk.type-label', normalizer: 'trim')]
        #[Assert\Length(max: Labels::LONGEST, maxMessage: 'desk.shorten-label-40-characters')]
        #[Assert\Regex('/^[^\p{C},;]*$/Du', message: 'desk.label-no-commas-semicolons')]
        public string $label,
        #[Assert\Count(
            min: 1,
            max: ChangeRequest::MOST_LINES,
            minMessage: 'shared.choose-somebody-first',
            maxMessage: 'desk.choose-1-000-people',
        )]
        #[Assert\All([
            new Assert\Type('string'),
            new Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.not-persons-id'),
        ])]
        public array $people,
        public bool $on = true,
        public bool $apply = true,
    ) {}

    public function name(): string
    {
        return (string) preg_replace('/\s+/u', ' ', trim($this->label));
    }
}
