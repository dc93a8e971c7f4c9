<?php

declare(strict_types=1);

$preload = dirname(__DIR__).'/var/cache/prod/MintDoor_KernelProdContainer.preload.php';
if (is_file($preload)) {
    require $preload;
    // What every change goes through and no service shows: the check of bodies, and places that are taken.
    require_once dirname(__DIR__).'/vendor/autoload.php';
    $validator = new Opis\JsonSchema\Validator();
    $validator->parser()->setDefaultDraftVersion('2020-12');
    $validator->validate((object) ['a' => ['x', 1]], (string) json_encode([
        'type' => 'object',
        'required' => ['a'],
        'additionalProperties' => false,
        'maxProperties' => 3,
        'properties' => [
            'a' => ['type' => 'array', 'minItems' => 1, 'maxItems' => 2, 'items' => ['oneOf' => [
                ['type' => 'string', 'minLength' => 1, 'maxLength' => 3, 'pattern' => '^x', 'enum' => ['x']],
                ['type' => ['integer', 'null'], 'minimum' => 0, 'maximum' => 3],
            ]]],
            'b' => ['type' => 'string', 'format' => 'uuid'],
            'c' => ['const' => true],
        ],
    ]))->error();
    // Values and rules of our own are made where they are needed, so that no service shows them either.
    foreach (array_map(strval(...), array_keys(require dirname(__DIR__).'/vendor/composer/autoload_classmap.php')) as $class) {
        if (str_starts_with($class, 'MintDoor\\') && !str_starts_with($class, 'MintDoor\\Tests\\')) {
            class_exists($class);
        }
    }
    class_exists(Symfony\Component\Lock\LockFactory::class);
    class_exists(Symfony\Component\Lock\Lock::class);
    class_exists(Symfony\Component\Lock\Store\FlockStore::class);
    class_exists(Symfony\Component\Lock\Key::class);
}
