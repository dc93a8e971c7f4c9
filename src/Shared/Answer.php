<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Symfony\Component\HttpFoundation\JsonResponse;

/** A JSON answer of the interface: never cached, slashes and other scripts left readable. */
final class Answer extends JsonResponse
{
    /**
     * @param array<array-key, mixed>|object $data
     * @param array<string, string>         $headers
     */
    public function __construct(array|object $data, int $status = 200, array $headers = [])
    {
        $this->encodingOptions = \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE | \JSON_THROW_ON_ERROR;
        parent::__construct($data, $status, ['Cache-Control' => 'no-store', ...$headers]);
    }

    /** The same answer once more, from its text. */
    public static function again(string $json, int $status, ?string $etag): self
    {
        $answer = new self([], $status, null === $etag ? [] : ['ETag' => $etag]);
        $answer->setJson($json);

        return $answer;
    }

    /** With the version of what it shows, for `If-Match`. */
    public function versioned(int $version): self
    {
        $this->headers->set('ETag', '"'.$version.'"');

        return $this;
    }
}
