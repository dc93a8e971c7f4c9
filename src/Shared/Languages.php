<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** The languages there are sentences in. */
final readonly class Languages
{
    /** A region that no country has: languages made for tests are not offered to anybody. */
    private const MADE_UP = '_XA';

    /** @param non-empty-list<string> $known as the files of the sentences are named; the first stands in for others */
    public function __construct(#[Autowire('%kernel.enabled_locales%')] private array $known) {}

    /** @return list<string> BCP 47 tags of those one may choose */
    public function offered(): array
    {
        $real = array_filter($this->known, static fn(string $name): bool => !str_ends_with($name, self::MADE_UP));

        return array_values(array_map(static fn(string $name): string => strtr($name, '_', '-'), $real));
    }

    /**
     * The language that is nearest to a tag: "en-GB" → "en".
     *
     * @param ?string $tag BCP 47; null for nobody's choice
     *
     * @return string BCP 47
     */
    public function nearest(?string $tag): string
    {
        for ($parts = explode('-', $tag ?? ''); [] !== $parts; array_pop($parts)) {
            foreach ($this->known as $name) {
                if (0 === strcasecmp($name, implode('_', $parts))) {
                    return strtr($name, '_', '-');
                }
            }
        }

        return strtr($this->known[0], '_', '-');
    }
}
