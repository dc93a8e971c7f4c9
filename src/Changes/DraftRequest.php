<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;
use Symfony\Component\Validator\Context\ExecutionContextInterface;

/** A change list as it is being worked on, to be kept. What is in it is the screen's own. */
final readonly class DraftRequest
{
    private const MOST_BYTES = 900_000;

    /** @param array<string, mixed> $work */
    public function __construct(
        #[Assert\Choice(
            ['pasted', 'people', 'sites', 'accounts', 'term-change'],
            message: 'changes.no-such-change-list'
        )]
        public string $kind,
        public array $work,
        #[Assert\Length(max: 160, maxMessage: 'changes.shorten-title-160-characters')] public string $title = '',
        /** Where it was begun, for a change list of one site. */
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.not-sites-id')] public ?string $site = null,
    ) {}

    public function json(): string
    {
        return json_encode(
            (object) $this->work,
            \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_INVALID_UTF8_SUBSTITUTE,
        );
    }

    #[Assert\Callback]
    public function check(ExecutionContextInterface $context): void
    {
        if (\strlen($this->json()) > self::MOST_BYTES) {
            $context
                ->buildViolation('changes.change-list-larger-can')
                ->atPath('work')
                ->addViolation();
        }
    }
}
